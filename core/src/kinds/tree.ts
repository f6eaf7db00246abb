import { foldWords } from '../words/words';
import type { Field } from './field';
import type { Kind } from './kind';

const byOrder = (one: Field, other: Field): number =>
  one.order === other.order ? (one.id < other.id ? -1 : 1) : one.order < other.order ? -1 : 1;

/** The kinds of somebody with their fields, by what they take over. A circle that two devices made is gone round once. */
export class KindTree {
  private readonly kinds: ReadonlyMap<string, Kind>;
  private readonly fields: ReadonlyMap<string, Field>;
  private readonly own: ReadonlyMap<string, readonly Field[]>;

  constructor(kinds: readonly Kind[], fields: readonly Field[]) {
    this.kinds = new Map(kinds.map((kind) => [kind.id, kind]));
    this.fields = new Map(fields.map((field) => [field.id, field]));
    const own = new Map<string, Field[]>();
    for (const field of [...fields].sort(byOrder)) own.set(field.kindId, [...(own.get(field.kindId) ?? []), field]);
    this.own = own;
  }

  /** All there is, deleted or not. */
  everything(): { kinds: Kind[]; fields: Field[] } {
    return { kinds: [...this.kinds.values()], fields: [...this.fields.values()] };
  }

  /** The same with these in the place of those that have their ids, or added. */
  with({ kinds, fields }: { kinds: readonly Kind[]; fields: readonly Field[] }): KindTree {
    const all = this.everything();
    return new KindTree(
      [...all.kinds, ...kinds],
      [...new Map([...all.fields, ...fields].map((each) => [each.id, each])).values()],
    );
  }

  get(id: string): Kind | undefined {
    return this.kinds.get(id);
  }

  field(id: string): Field | undefined {
    return this.fields.get(id);
  }

  /** A kind and those it takes fields over from, the nearest first. */
  broader(id: string): Kind[] {
    const found: Kind[] = [];
    for (let kind = this.kinds.get(id); kind && !found.includes(kind); kind = this.kinds.get(kind.broaderId ?? '')) {
      found.push(kind);
    }
    return found;
  }

  /** The ids of a kind and of all that take its fields over, through others too. */
  narrower(id: string): string[] {
    return [...this.kinds.keys()].filter((each) => this.broader(each).some((kind) => kind.id === id));
  }

  /** What a page of these kinds is called: by them, and by those that they take fields over from. */
  namesOf(kinds: readonly string[]): string[] {
    return [...new Set(kinds.flatMap((id) => this.broader(id)).map(({ name }) => name))];
  }

  /**
   * The kinds that a folded word names, with all narrower ones: those in whose name it is a word, or begins one where
   * that is asked for.
   */
  calledBy(word: string, isBeginning: boolean): string[] {
    const fits = (each: string) => (isBeginning ? each.startsWith(word) : each === word);
    const named = [...this.kinds.values()].filter(({ name }) =>
      foldWords(name)
        .split(/[^\p{L}\p{N}]+/u)
        .some(fits),
    );
    return [...new Set(named.flatMap(({ id }) => this.narrower(id)))];
  }

  /** Whether a kind may have another for its broader one: no kind takes over from itself. */
  mayHaveBroader(id: string, broaderId: string | null): boolean {
    return broaderId === null || !this.broader(broaderId).some((kind) => kind.id === id);
  }

  /** The fields of a kind, those of the broadest first; deleted ones are not among them. */
  fieldsOf(id: string): Field[] {
    return this.broader(id)
      .reverse()
      .flatMap((kind) => this.own.get(kind.id) ?? [])
      .filter(({ isDeleted }) => !isDeleted);
  }

  /**
   * The fields of a page: those of its kinds, each once, and then those that it holds something of though none of its
   * kinds has them any more. What is not known is left out.
   */
  fieldsOfPage(kindIds: readonly string[], held: Iterable<string>): Field[] {
    const named = kindIds.flatMap((id) => this.fieldsOf(id));
    const others = [...held].flatMap((id) => this.fields.get(id) ?? []).sort(byOrder);
    return [...new Set([...named, ...others])];
  }

  /** Whether pages of these kinds are, by one of them or a broader one, of a kind. */
  isOf(kindIds: readonly string[], wanted: string): boolean {
    return kindIds.some((id) => this.broader(id).some((kind) => kind.id === wanted));
  }

  /** The kind that is called so, as names are compared. */
  named(name: string): Kind | undefined {
    const wanted = foldWords(name.trim());
    return this.all().find((kind) => foldWords(kind.name) === wanted);
  }

  /** The field of some kinds that is called so; the first where several are. */
  fieldNamed(kindIds: readonly string[], name: string): Field | undefined {
    const wanted = foldWords(name.trim());
    return this.fieldsOfPage(kindIds, []).find((field) => foldWords(field.name) === wanted);
  }

  /** By their names; deleted ones are not among them. */
  all(): Kind[] {
    return [...this.kinds.values()]
      .filter(({ isDeleted }) => !isDeleted)
      .sort((one, other) => one.name.localeCompare(other.name) || (one.id < other.id ? -1 : 1));
  }
}
