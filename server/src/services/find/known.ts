import { Not } from 'typeorm';
import type { KnownWords } from '@glossarion/core/find';
import { kindToken, type KindTree } from '@glossarion/core/kinds';
import { linkToken } from '@glossarion/core/links';
import { tagToken, type TagTree } from '@glossarion/core/tags';
import { foldWords } from '@glossarion/core/words';
import type { Viewer, ViewerConnection } from '../../access';
import type { Database } from '../../database/database';
import { AttachmentTextEntity, EntryEntity } from '../../entities';
import { NAMED_AND_LINKED } from '../../entities/find.queries';
import { KeptUntilStored } from '../keptUntilStored';
import type { Kinds } from '../kinds';
import type { Tags } from '../tags';
import type { Vocabularies } from './vocabularies';

/** The most tags that a word is taken to name, and to begin to name. */
const TAGS_NAMED = 24;
const TAGS_BEGUN = 3;
/** The most pages that a word is taken to name, and of how many these are the ones that most link to. */
const PAGES_NAMED = 64;
const PAGES_CONSIDERED = 512;
/** Beginnings of fewer letters than this begin too many names. */
const SHORT = 3;
/** What is known is kept ready of so many words. */
const WORDS_KEPT = 5_000;

/** What is known of the words of notes. */
export interface KnownNotes extends KnownWords {
  /** How many texts there are at most. */
  texts: number;
  /** Whether anything is written in files. */
  hasFiles: boolean;
}

/**
 * What is known of the words of accounts. It is kept until something is stored: each letter that is typed into a search
 * asks for the words before it again.
 */
export class KnownByAccount {
  private kept: KeptUntilStored<Promise<KnownNotes>>;

  constructor(
    private database: Database,
    private vocabularies: Vocabularies,
    private tags: Tags,
    private kinds: Kinds,
  ) {
    this.kept = new KeptUntilStored(database, (viewer) => this.read(viewer));
  }

  of(viewer: Viewer): Promise<KnownNotes> {
    const known = this.kept.of(viewer);
    known.catch(() => this.kept.forget(viewer, known));
    return known;
  }

  private async read(viewer: Viewer): Promise<KnownNotes> {
    const connection = this.database.reading(viewer);
    const kinds = await this.kinds.tree(viewer);
    const words = await knownWords(connection, this.vocabularies, this.tags.tree(connection), kinds);
    const { manager } = this.database;
    return {
      ...words,
      texts: (await manager.maximum(EntryEntity, 'row')) ?? 0,
      hasFiles: await manager.existsBy(AttachmentTextEntity, { words: Not('') }),
    };
  }
}

/** What a viewer's notes say of words, and what these name: tags, kinds, choices of fields, pages that are linked. */
async function knownWords(
  connection: ViewerConnection,
  vocabularies: Vocabularies,
  tags: TagTree,
  kinds: KindTree,
): Promise<KnownWords> {
  const choices = kinds.everything().fields.flatMap((field) => field.choices);
  const pagesNamed = (match: string) =>
    connection.all<{ id: string }>(NAMED_AND_LINKED, { match, considered: PAGES_CONSIDERED, limit: PAGES_NAMED });
  return {
    vocabulary: await vocabularies.of(connection),
    formsOf: once((word) => vocabularies.formsOf(connection, word)),
    namedBy: once((word, isBeginning) => {
      const isShort = isBeginning && word.length < SHORT;
      const named = tags.named(word, TAGS_NAMED, isBeginning && !isShort ? TAGS_BEGUN : 0).map(tagToken);
      if (isShort) return named;
      const fits = (each: string) => (isBeginning ? each.startsWith(word) : each === word);
      const chosen = choices.filter(({ name }) =>
        foldWords(name)
          .split(/[^\p{L}\p{N}]+/u)
          .some(fits),
      );
      return [
        ...named,
        ...kinds.calledBy(word, isBeginning).map(kindToken),
        ...chosen.map(({ id }) => linkToken(id)),
        ...pagesNamed(`title : "${word}"${isBeginning ? ' *' : ''}`).map(({ id }) => linkToken(id)),
      ];
    }),
  };
}

/** Each word is looked up once, however often searches come back to it. */
function once(look: (word: string, isBeginning: boolean) => readonly string[]) {
  const known = new Map<string, readonly string[]>();
  return (word: string, isBeginning = false): readonly string[] => {
    const key = `${word}${isBeginning ? '*' : ''}`;
    let found = known.get(key);
    if (!found) {
      if (known.size >= WORDS_KEPT) known.clear();
      known.set(key, (found = look(word, isBeginning)));
    }
    return found;
  };
}
