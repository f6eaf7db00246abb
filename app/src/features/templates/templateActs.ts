import { newId } from '@glossarion/core/document';
import { dayTitleWithYear, localDay } from '@glossarion/core/journal';
import type { Place, EntryInfo } from '@glossarion/core/outline';
import type { TemplateUse } from '@glossarion/core/templates';
import { api } from '../../state/api';
import { ask, FRESH, store } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { perform } from '../../state/deeds';
import { open } from '../../screen/navigation';

/** A time of day as hours and minutes, such as 09:05: so ECMA-262 (Date.prototype.toTimeString) begins. */
const clockTime = (time: Date): string => time.toTimeString().slice(0, 5);

/** Making pages from templates, and pages into templates. */

export const oneUse = (templateId: string, answers: Record<string, string> = {}): TemplateUse => {
  const now = new Date();
  return {
    templateId,
    date: dayTitleWithYear(localDay(now)).replace(/^\S+ /u, ''),
    time: clockTime(now),
    answers,
  };
};

const templates = () => ask(api.endpoints.templates.initiate(undefined, FRESH));

/** Makes a page from a template; what the template asks is asked first. False when none was made. */
export async function makeFromTemplate(templateId: string, place: Place, name = ''): Promise<boolean> {
  const template = (await templates()).find((each) => each.id === templateId);
  if (template && template.questions.length > 0) {
    const { parentId, afterId } = place;
    if (parentId)
      store.dispatch(
        sheetOpened({ for: 'template', templateId, place: { parentId, ...(afterId !== undefined && { afterId }) } }),
      );
    return true;
  }
  return makeFilled(templateId, place, {}, name);
}

export async function makeFilled(
  templateId: string,
  place: Place,
  answers: Record<string, string>,
  name = '',
): Promise<boolean> {
  const id = newId();
  const isDone = await perform(
    [{ do: 'make', id, kind: 'page', name, ...place, from: oneUse(templateId, answers) }],
    null,
  );
  if (!isDone) return false;
  const entry = await ask(api.endpoints.entry.initiate(id, FRESH));
  open(entry.name === '' ? `/p/${id}?at=title` : `/p/${id}`);
  return true;
}

/** The page after this one in its series: of the same template, its number counted on. */
export async function makeNext(entry: EntryInfo): Promise<boolean> {
  if (!entry.parentId) return false;
  const place = { parentId: entry.parentId, afterId: entry.id };
  const { nextTitle } = await import('../../state/shownAtOnce');
  const name = nextTitle(entry.title);
  if (entry.madeFrom && (await templates()).some(({ id }) => id === entry.madeFrom)) {
    return makeFromTemplate(entry.madeFrom, place, name);
  }
  const id = newId();
  const isDone = await perform([{ do: 'make', id, kind: 'page', name, ...place }], null);
  if (isDone) open(`/p/${id}`);
  return isDone;
}

export const setTemplate = (entry: EntryInfo, isTemplate: boolean): Promise<boolean> =>
  perform(
    [{ do: 'describe', id: entry.id, isTemplate }],
    isTemplate ? `Pages can be made from “${entry.title}” now.` : `“${entry.title}” is no template any more.`,
  );

/** The template of pages made in a place, if it has one. */
export const templateFor = async (parentId: string): Promise<string | null> => {
  const { templateId } = await ask(api.endpoints.templateFor.initiate(parentId, FRESH));
  return templateId;
};
