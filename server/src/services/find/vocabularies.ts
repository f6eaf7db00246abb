import { Vocabulary } from '@glossarion/core/find';
import { LANGUAGES, scriptOf } from '@glossarion/core/languages';
import { ownedBy, type Viewer, type ViewerConnection } from '../../access';
import type { Database } from '../../database/database';
import { VocabularyEntity } from '../../entities';
import { FORMS, WORD } from '../../entities/vocabulary.queries';
import type { FactWriter } from '../facts';

/** The words of so many accounts are kept ready. */
const ACCOUNTS_KEPT = 8;
/** After so many changed words all are read anew. */
const MANY = 2_000;
/** The most forms of one word. */
const FORMS_SHOWN = 12;

interface Kept {
  vocabulary: Promise<Vocabulary>;
  /** The languages in which lines hold words, as they were read. */
  languages: Set<string>;
  /** Words of which other lines hold some since they were read. */
  changed: Set<string>;
}

/** The words of accounts, each as its own notes have them; never those of another. */
export class Vocabularies {
  private kept = new Map<string, Kept>();
  /** What the transaction that is under way has counted, by account. */
  private counted = new Map<string, string[]>();

  constructor(
    private database: Database,
    facts: Pick<FactWriter, 'onCount'>,
  ) {
    facts.onCount((account, words) => {
      if (!this.kept.has(account)) return;
      const counted = this.counted.get(account);
      if (counted) counted.push(...words);
      else this.counted.set(account, [...words]);
    });
    database.onEnd((isStored) => {
      for (const [account, words] of isStored ? this.counted : []) {
        const kept = this.kept.get(account);
        if (!kept) continue;
        words.forEach((word) => kept.changed.add(word));
        if (kept.changed.size > MANY) this.kept.delete(account);
      }
      this.counted.clear();
    });
  }

  async of(connection: ViewerConnection): Promise<Vocabulary> {
    const { accountId } = connection.viewer;
    let kept = this.kept.get(accountId);
    if (!kept) {
      if (this.kept.size >= ACCOUNTS_KEPT) this.kept.delete(this.kept.keys().next().value!);
      // What is counted while they are read is read again.
      const languages = new Set<string>();
      kept = { vocabulary: this.read(connection.viewer, languages), languages, changed: new Set() };
      this.kept.set(accountId, kept);
      kept.vocabulary.catch(() => this.kept.delete(accountId));
    }
    const vocabulary = await kept.vocabulary;
    for (const word of kept.changed) {
      const rows = connection.all<{ language: string; lines: number }>(WORD, { word });
      rows.forEach(({ language }) => kept.languages.add(language));
      vocabulary.set(
        word,
        rows.reduce((sum, { lines }) => sum + lines, 0),
      );
    }
    kept.changed.clear();
    return vocabulary;
  }

  private async read(viewer: Viewer, languages: Set<string>): Promise<Vocabulary> {
    const written = await this.database.manager
      .createQueryBuilder(VocabularyEntity, 'v')
      .select('v.language', 'language')
      .where(ownedBy(viewer))
      .distinct()
      .getRawMany<{ language: string }>();
    written.forEach(({ language }) => languages.add(language));
    const words = await this.database.manager
      .createQueryBuilder(VocabularyEntity, 'v')
      .select('v.word', 'word')
      .addSelect('SUM(v.lines)', 'lines')
      .where(ownedBy(viewer))
      .groupBy('v.word')
      .getRawMany<{ word: string; lines: number }>();
    return new Vocabulary(words.map(({ word, lines }) => [word, lines]));
  }

  /**
   * The other forms of a folded word that lines hold, the commonest first: in the languages in which they hold the word,
   * or, where it has none there, in any that they are written in.
   */
  formsOf(connection: ViewerConnection, word: string): string[] {
    const known = connection.all<{ language: string; stem: string }>(WORD, { word });
    const forms = this.formsIn(
      connection,
      word,
      known.map(({ language, stem }) => [language, stem]),
    );
    if (forms.length > 0) return forms;
    const written = this.kept.get(connection.viewer.accountId)?.languages;
    return this.formsIn(connection, word, written ? stemsOf(word, written) : []);
  }

  private formsIn(connection: ViewerConnection, word: string, stems: readonly Stemmed[]): string[] {
    const asked = stems.filter(([language]) => language !== '');
    if (asked.length === 0) return [];
    const forms = connection.all<{ word: string }>(FORMS, { stems: JSON.stringify(asked), limit: FORMS_SHOWN });
    return forms.map((form) => form.word).filter((form) => form !== word);
  }
}

/** A language, and the stem that a word has in it. */
type Stemmed = readonly [language: string, stem: string];

/** What a word comes to in each of the languages of its script that are written. */
function stemsOf(word: string, written: ReadonlySet<string>): Stemmed[] {
  const script = scriptOf(word);
  return LANGUAGES.filter((language) => language.script === script && written.has(language.code)).map(
    ({ code, stem }) => [code, stem(word)],
  );
}
