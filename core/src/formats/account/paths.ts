import { foldWords } from '../../words/words';
import type { EntryKind } from '../../outline/entry';

/** An entry as far as the names of files need it. */
export interface EntryToPlace {
  id: string;
  kind: EntryKind;
  parentId: string | null;
  title: string;
  /** The folder at the root for what stands in no notebook. */
  outside?: string;
}

/** Folders at the root that no notebook's may be called like. */
const RESERVED = ['journal', 'tray', 'files', 'index', 'account'];
/** A file's name in UTF-8 has at most 255 bytes; some are left for its ending, a number, and where it is unpacked to. */
const MAX_BYTES = 180;
/** What file systems, addresses or links give a meaning. */
const MEANINGFUL = /[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\ud800-\udfff/\\:*?"<>|#%^[\]`]+/gu;
/** Names that one system or another keeps for itself. */
const KEPT = /^(?:con|prn|aux|nul|com\d|lpt\d)(?:\..*)?$/iu;

/** How many bytes a letter takes in UTF-8. */
const bytesOf = (letter: string): number => {
  const code = letter.codePointAt(0)!;
  return code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
};

/** A title as the name of a file, without its ending: one that any file system takes, and that is no address. */
export function fileName(title: string): string {
  const plain = title
    .normalize('NFC')
    .replaceAll(MEANINGFUL, ' ')
    .replaceAll(/\s+/gu, ' ')
    .trim()
    // A file whose name begins with a full stop is hidden; one that ends with one loses it.
    .replace(/^\.+/u, '')
    .replace(/[. ]+$/u, '');
  let name = '';
  let bytes = 0;
  for (const letter of plain) {
    bytes += bytesOf(letter);
    if (bytes > MAX_BYTES) break;
    name += letter;
  }
  name = name.trim().replace(/[. ]+$/u, '');
  if (name === '') return 'Nameless page';
  return KEPT.test(name) || /\.(?:md|markdown)$/iu.test(name) ? `${name}_` : name;
}

/** Gives names that differ from all before them in a folder, in small letters too. */
export class FolderNames {
  private taken = new Map<string, Set<string>>();

  constructor(reserved: readonly string[] = []) {
    this.taken.set('', new Set(reserved));
  }

  take(folder: string, wanted: string): string {
    const taken = this.taken.get(folder) ?? new Set(['index']);
    this.taken.set(folder, taken);
    for (let number = 1; ; number += 1) {
      const name = number === 1 ? wanted : `${wanted} (${number})`;
      const key = foldWords(name);
      if (taken.has(key)) continue;
      taken.add(key);
      return name;
    }
  }
}

/** Where an entry's file is, or its folder's index; and its name in the folder. */
export interface Placed {
  path: string;
  /** The folder of what stands in it; '' at the root. */
  folder: string;
  name: string;
}

/**
 * Where entries stand in an export: notebooks and sections are folders with an index, pages are files, and what stands
 * beneath a page is in a folder called like it.
 */
export class FilePlaces {
  readonly placed = new Map<string, Placed>();
  private names = new FolderNames(RESERVED);

  /** @param ending how the names of files end: `.md` */
  constructor(private ending: string) {}

  /** Gives entries their places: every one after what it stands in, siblings in their order. */
  add(entries: readonly EntryToPlace[]): void {
    for (const { id, kind, parentId, title, outside } of entries) {
      const folder = outside ?? this.placed.get(parentId ?? '')?.folder ?? '';
      const name = this.names.take(folder, fileName(title));
      const own = folder === '' ? name : `${folder}/${name}`;
      this.placed.set(id, { path: `${own}${kind === 'page' ? '' : '/index'}${this.ending}`, folder: own, name });
    }
  }
}

/** The address of one file as another links it. Names hold nothing that an address gives a meaning (fileName). */
export function addressFrom(from: string, to: string): string {
  const [here, there] = [from.split('/').slice(0, -1), to.split('/')];
  let shared = 0;
  while (shared < here.length && shared < there.length - 1 && here[shared] === there[shared]) shared += 1;
  return [...here.slice(shared).map(() => '..'), ...there.slice(shared)].map(encodeURI).join('/');
}
