import { WordCounts, type CountChange } from '@glossarion/core/find/counting';
import { accountOf, accountOwning, ownedBy, ownView } from '../access';
import {
  AccountEntity,
  AttachmentEntity,
  AttachmentTextEntity,
  BlockEntity,
  CountedLanguagesEntity,
  EntryEntity,
  ImportUnderWayEntity,
  VocabularyEntity,
  type Entry,
} from '../entities';
import { INDEXED } from '../entities/find.queries';
import { prepared } from '../sqlite/prepared';
import type { CheckedData, Disagreement } from './checkedData';
import { countedPieces } from './fileWords';
import { wordsOfLines } from './foundWords';
import { isCounted } from './importsUnderWay';

/** How often it is looked again while somebody writes. */
const TRIES = 20;

/**
 * Counts all words anew and compares them with the vocabulary of each account; what an import has brought counts too.
 * What differs because somebody wrote meanwhile is looked at again.
 */
export async function checkVocabulary(data: CheckedData): Promise<Disagreement[]> {
  const version = () => data.reader.pragma('data_version', { simple: true });
  for (let tried = 1; ; tried += 1) {
    const before = version();
    const found = await compare(data);
    if (found.length === 0 || version() === before || tried === TRIES) return found;
  }
}

async function compare({ manager, reader }: CheckedData): Promise<Disagreement[]> {
  const counts = new Map<string, WordCounts>();
  const languagesOf = new Map((await manager.find(CountedLanguagesEntity)).map((each) => [each.accountId, each]));
  const underWay = new Map((await manager.find(ImportUnderWayEntity)).map((each) => [each.id, each]));
  const entries = await manager.find(EntryEntity, { select: { id: true, row: true, importId: true } });
  for (const { id, row, importId } of entries) {
    const coming = importId === null ? undefined : underWay.get(importId);
    if (!coming || isCounted(coming, row)) await countEntry({ id, row });
  }
  await countFiles();
  const counted = together(
    [...counts].flatMap(([key, each]) =>
      each.changes().map((change) => [(JSON.parse(key) as string[])[0]!, change] as const),
    ),
  );
  const stored: string[] = [];
  for (const { id } of await manager.find(AccountEntity, { select: { id: true } })) {
    const words = await manager.findBy(VocabularyEntity, ownedBy(ownView(id)));
    stored.push(...words.map((word) => said(id, word)));
  }
  const known = new Set(stored);
  const missing = counted.filter((each) => !known.delete(each));
  return [...missing, ...known].slice(0, 20).map((each) => ({
    pageId: (JSON.parse(each) as string[])[0]!,
    what: `The count of a word differs: ${each}.`,
  }));

  /** What is written in files is counted as it is seen to be, whatever languages somebody writes. */
  async function countFiles(): Promise<void> {
    for (const file of await manager.find(AttachmentEntity)) {
      const known = await manager.findOneBy(AttachmentTextEntity, { fileId: file.id });
      if (!known || known.words === '') continue;
      const own = countsIn(accountOwning(file), '[]');
      for (const lines of countedPieces(known.text, 0, known.countedTo ?? Infinity)) own.text([], lines);
    }
  }

  function countsIn(account: string, written: string): WordCounts {
    const key = JSON.stringify([account, written]);
    let own = counts.get(key);
    if (!own) counts.set(key, (own = new WordCounts(JSON.parse(written) as string[])));
    return own;
  }

  async function countEntry({ id, row }: Pick<Entry, 'id' | 'row'>): Promise<void> {
    const indexed = prepared(reader, INDEXED).get(row) as { title: string } | undefined;
    // What an import has made halfway is not counted yet.
    if (!indexed) return;
    const account = accountOf(reader, id)!;
    const { languages, before, countedTo } = languagesOf.get(account) ?? {
      languages: '[]',
      before: '[]',
      countedTo: null,
    };
    const written = countedTo === null || row <= countedTo ? languages : before;
    const own = countsIn(account, written);
    own.title(indexed.title, 1);
    own.text(
      [],
      wordsOfLines((await manager.find(BlockEntity, { where: { documentId: id } })).map(({ words }) => ({ words }))),
    );
  }
}

/** The counts of an account as one, in whatever languages they were counted. */
function together(counted: readonly (readonly [account: string, change: CountChange])[]): string[] {
  const sums = new Map<string, { account: string; change: CountChange }>();
  for (const [account, change] of counted) {
    const key = JSON.stringify([account, change.word, change.language, change.stem]);
    const known = sums.get(key);
    sums.set(key, { account, change: { ...change, lines: change.lines + (known?.change.lines ?? 0) } });
  }
  return [...sums.values()].map(({ account, change }) => said(account, change));
}

const said = (account: string, { word, language, stem, lines }: CountChange): string =>
  JSON.stringify([account, word, language, stem, lines]);
