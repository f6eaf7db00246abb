import { foldWords } from '../../words/words';
import { isDay } from '../../calendar';
import type { FrontMatter } from './frontMatter';
import type { ReadFile } from './readFile';

/** Names with numbers in them stand in the order of the numbers. */
const collator = new Intl.Collator('en', { numeric: true });

/** A folder of an import with what stands in it; several files may be called alike. */
export interface Folder {
  name: string;
  /** What its index says of it. */
  front: FrontMatter;
  /** Its index, when there is more in it than that. */
  index: ReadFile | null;
  files: Map<string, ReadFile[]>;
  folders: Map<string, Folder>;
}

export const newFolder = (name: string): Folder => ({
  name,
  front: {},
  index: null,
  files: new Map(),
  folders: new Map(),
});

/** A file's name without its ending. */
export const nameOf = (path: string): string =>
  stepsOf(path)
    .pop()!
    .replace(/\.(md|markdown)$/iu, '');

export const stepsOf = (path: string): string[] =>
  path
    .replaceAll('\\', '/')
    .split('/')
    .filter((step) => step !== '' && step !== '.');

/** What an index can say of a notebook or a section. */
export const FOLDER_KEYS = ['id', 'title', 'season', 'pigment', 'ornament', 'description', 'order'];

/** Sorts files into their folders. Those outside any come to a folder of this name. */
export function sortIntoFolders(files: readonly ReadFile[], looseName: string): Folder {
  const root = newFolder('');
  const sorted = [...files].sort((one, other) => collator.compare(one.path, other.path));
  for (const file of sorted) {
    const steps = stepsOf(file.path).slice(0, -1);
    const name = nameOf(file.path);
    if (steps.length === 0 && name === 'index') {
      root.front = file.front;
      // Its words need a place: that of the files that stand in no folder.
      if (!file.isBlank || restOf(file, ['order']) !== '') addFile(inner(root, looseName), name, file);
      continue;
    }
    let folder = root;
    for (const step of steps.length > 0 ? steps : [looseName]) folder = inner(folder, step);
    if (name === 'index' && !folder.index && folder.front.title === undefined) {
      folder.front = file.front;
      if (!file.isBlank || restOf(file, FOLDER_KEYS) !== '') folder.index = file;
    } else {
      addFile(folder, name, file);
    }
  }
  return root;
}

function inner(folder: Folder, name: string): Folder {
  let found = folder.folders.get(name);
  if (!found) folder.folders.set(name, (found = newFolder(name)));
  return found;
}

const addFile = (folder: Folder, name: string, file: ReadFile): void =>
  void folder.files.set(name, [...(folder.files.get(name) ?? []), file]);

/** What the head of a file says beyond these keys, or in a way that was not understood; as it was written. */
export function restOf({ front, raw }: ReadFile, keys: readonly string[]): string {
  const isKept = (key: string) => keys.includes(key) && front[key as keyof FrontMatter] !== undefined;
  return raw
    .filter(([key]) => !isKept(key))
    .map(([, lines]) => lines)
    .join('\n')
    .trim();
}

/** The names in a folder: those its index lists, in that order, then the rest. */
export function orderedNames(folder: Folder): string[] {
  const names = [...new Set([...folder.files.keys(), ...folder.folders.keys()])];
  const listed = folder.front.order ?? [];
  const place = (name: string) => {
    const index = listed.indexOf(name);
    return index < 0 ? listed.length : index;
  };
  return names.sort((one, other) => place(one) - place(other) || collator.compare(one, other));
}

/** Takes the days out of the folder of the journal, from its folders too. What else is in it stays there. */
export function takeDays(root: Folder): { day: string; file: ReadFile }[] {
  const days: { day: string; file: ReadFile }[] = [];
  const walk = (folder: Folder): void => {
    for (const [name, files] of folder.files) {
      if (!isDay(name)) continue;
      days.push(...files.map((file) => ({ day: name, file })));
      folder.files.delete(name);
    }
    for (const [name, each] of folder.folders) {
      walk(each);
      if (each.files.size === 0 && each.folders.size === 0 && !each.index) folder.folders.delete(name);
    }
  };
  for (const [name, folder] of root.folders) {
    if (foldWords(name) !== 'journal') continue;
    walk(folder);
    if (folder.files.size === 0 && folder.folders.size === 0 && !folder.index) root.folders.delete(name);
  }
  return days.sort((one, other) => (one.day < other.day ? -1 : one.day > other.day ? 1 : 0));
}
