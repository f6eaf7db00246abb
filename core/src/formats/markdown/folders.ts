import { foldWords } from '../../words/words';
import { isDay } from '../../calendar';
import type { FrontMatter } from './frontMatter';
import { nameOf, stepsOf } from './paths';
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

/** What an index can say of a notebook or a section. */
export const FOLDER_KEYS = [
  ...['id', 'title', 'begun', 'changed', 'season', 'pigment', 'ornament', 'description', 'binned', 'order'],
];

const byPath = (one: ReadFile, other: ReadFile): number => collator.compare(one.path, other.path);

/** Sorts files into their folders, piece by piece. Those outside any come to a folder of this name. */
export function* sortIntoFolders(files: readonly ReadFile[], looseName: string): Generator<void, Folder> {
  const root = newFolder('');
  // Of several indexes of a folder the first speaks of it: they come before all else, in their order.
  const isIndex = ({ path }: ReadFile) => nameOf(path) === 'index';
  const indexes = files.filter(isIndex).sort(byPath);
  for (const file of [...indexes, ...files.filter((each) => !isIndex(each))]) {
    yield;
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

function addFile(folder: Folder, name: string, file: ReadFile): void {
  const alike = folder.files.get(name);
  if (!alike) return void folder.files.set(name, [file]);
  const place = alike.findIndex((each) => byPath(each, file) > 0);
  alike.splice(place < 0 ? alike.length : place, 0, file);
}

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
  const days = takeFiles(root, 'journal', ({ path }) => isDay(nameOf(path))).map((file) => ({
    day: nameOf(file.path),
    file,
  }));
  return days.sort((one, other) => (one.day < other.day ? -1 : one.day > other.day ? 1 : 0));
}

/** Takes the files out of a folder at the root, and of its folders, that are taken for something that is in no notebook. */
export function takeFiles(root: Folder, folderName: string, isTaken: (file: ReadFile) => boolean): ReadFile[] {
  const taken: ReadFile[] = [];
  const walk = (folder: Folder): void => {
    for (const [name, files] of folder.files) {
      taken.push(...files.filter(isTaken));
      const left = files.filter((file) => !isTaken(file));
      if (left.length > 0) folder.files.set(name, left);
      else folder.files.delete(name);
    }
    for (const [name, each] of folder.folders) {
      walk(each);
      if (each.files.size === 0 && each.folders.size === 0 && !each.index) folder.folders.delete(name);
    }
  };
  for (const [name, folder] of root.folders) {
    if (foldWords(name) !== folderName) continue;
    walk(folder);
    if (folder.files.size === 0 && folder.folders.size === 0 && !folder.index) root.folders.delete(name);
  }
  return taken.sort(byPath);
}
