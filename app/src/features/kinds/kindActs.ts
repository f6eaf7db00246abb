import { newId } from '@glossarion/core/document';
import type { Field, Kind } from '@glossarion/core/kinds';
import type { Act } from '@glossarion/core/acts';
import { perform } from '../../state/deeds';

/** What is done with kinds and their fields: acts, each told and taken back like any. */

type KindChanges = Partial<Omit<Kind, 'id'>>;
type FieldChanges = Partial<Omit<Field, 'id' | 'kindId' | 'choices'>> & { choices?: Field['choices'] };

/** Makes a kind; gives its id, or null when it was refused, which is said. */
export async function makeKind(name: string, more: KindChanges = {}): Promise<string | null> {
  const id = newId();
  const isMade = await perform([{ do: 'describeKind', id, ...more, name }], `There is a kind “${name}”.`);
  return isMade ? id : null;
}

export const describeKind = (id: string, changes: KindChanges, words: string | null): Promise<boolean> =>
  perform([{ do: 'describeKind', id, ...changes }], words);

export const setField = (
  { id, kindId }: Pick<Field, 'id' | 'kindId'>,
  { choices, ...changes }: FieldChanges,
  words: string | null,
): Promise<boolean> => {
  const act: Act = { do: 'setField', id, kindId, ...changes, ...(choices && { choices: [...choices] }) };
  return perform([act], words);
};

export const setKinds = (
  ids: readonly string[],
  { add, remove }: { add?: string[]; remove?: string[] },
  words: string,
) =>
  perform(
    ids.map((id): Act => ({ do: 'setKinds', id, ...(add && { add }), ...(remove && { remove }) })),
    words,
  );
