import { Extension, type Editor } from '@tiptap/core';
import { Plugin } from '@tiptap/pm/state';
import { attachFiles } from './attach';
import { store } from '../state/store';
import { pickFiles } from '../state/upload';
import { noticed } from '../state/view';

/** Calendar files that are dropped on a day or picked for it: their events of that day become lines. */

const say = (words: string): void => void store.dispatch(noticed({ words }));

const isCalendarFile = ({ name, type }: Pick<File, 'name' | 'type'>): boolean =>
  type === 'text/calendar' || /\.ics$/iu.test(name);

/** The day that a text stands on; null for a page that is none. */
export const dayOf = (element: Element): string | null =>
  element.closest<HTMLElement>('.day[data-day]')?.dataset.day ?? null;

/** Files that were dropped on a day which is not open for writing yet, by the day. */
const awaiting = new Map<string, readonly File[]>();

/** Keeps files until the day is open for writing. */
export const awaitDay = (day: string, files: readonly File[]): void => void awaiting.set(day, files);

/** What reads them is large, and comes when one is there. */
const takeIn = async (editor: Editor, files: readonly File[]): Promise<void> => {
  const day = dayOf(editor.view.dom);
  if (day === null) return say('The events of a calendar file are written on a day. Open the day first.');
  const { takeCalendar } = await import('./takeCalendar');
  await takeCalendar(editor, files, day);
};

/** Picks a calendar file for the day that is written on. */
export const pickCalendarFile = (editor: Editor): void =>
  void pickFiles('.ics,text/calendar').then((files) => (files.length > 0 ? takeIn(editor, files) : undefined));

export const CalendarFiles = Extension.create<{ pageId: string | null }, { pageId: string | null }>({
  name: 'calendarFiles',
  // Before files are attached.
  priority: 600,
  addOptions: () => ({ pageId: null }),
  addStorage() {
    return { pageId: this.options.pageId };
  },
  addProseMirrorPlugins() {
    const { editor } = this;
    return [
      new Plugin({
        view: (view) => {
          // The text stands in its day only once all is drawn.
          const timer = setTimeout(() => {
            const day = dayOf(view.dom);
            const files = day === null ? undefined : awaiting.get(day);
            if (!files) return;
            awaiting.delete(day!);
            // A calendar is written into the day, anything else attached to it.
            void (files.every(isCalendarFile) ? takeIn(editor, files) : attachFiles(editor, files));
          });
          return { destroy: () => clearTimeout(timer) };
        },
        props: {
          handleDrop: (view, event) => {
            const files = [...(event.dataTransfer?.files ?? [])];
            if (files.length === 0 || !files.every(isCalendarFile) || dayOf(view.dom) === null) return false;
            event.preventDefault();
            void takeIn(editor, files);
            return true;
          },
        },
      }),
    ];
  },
});
