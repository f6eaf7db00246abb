import { PlaceError } from '../outline/place';
import type { Act } from './all';
import { definitionOf } from './all';
import { ActError } from './actError';
import type { Change } from './change';
import { NotHeld } from './notHeld';
import type { ActEntry, ActOutline } from './outline';

/** What a window knows of an entry: its id, and some of the rest. */
export type PartialEntry = Pick<ActEntry, 'id'> & Partial<ActEntry>;

const notHeld = (): never => {
  throw new NotHeld('This window does not hold that.');
};

/** An entry that says of itself what is known, and throws when more is asked. */
const asking = (known: PartialEntry): ActEntry =>
  new Proxy(known, {
    get: (entry, name) => (name in entry ? entry[name as keyof ActEntry] : notHeld()),
  }) as ActEntry;

/** What a window holds of an account: some entries, and some values of each. Asked for more, it throws NotHeld. */
export class PartialOutline implements ActOutline {
  private entries: Map<string, PartialEntry>;

  constructor(
    entries: Iterable<PartialEntry>,
    readonly now: string,
  ) {
    this.entries = new Map([...entries].map((entry) => [entry.id, entry]));
  }

  entry(id: string): ActEntry {
    const known = this.entries.get(id);
    return known ? asking(known) : notHeld();
  }

  /** Takes in a change of an entry. */
  apply(change: Change): void {
    if (change.change !== 'set' && change.change !== 'name') return notHeld();
    const values = change.change === 'set' ? change.values : { name: change.name };
    this.entries.set(change.id, { ...this.entries.get(change.id), id: change.id, ...values });
  }

  children = notHeld;
  beneath = notHeld;
  lastKey = notHeld;
  keyAfter = notHeld;
  isKeyTaken = notHeld;
  content = notHeld;
  beside = notHeld;
  kinds = notHeld;
  joinBeside = notHeld;
  otherNames = notHeld;
  pins = notHeld;
  searches = notHeld;
  tags = notHeld;
  titlesMadeFrom = notHeld;
  linkingAlone = notHeld;
  isUnlinked = notHeld;
  movedGloss = notHeld;
  namedIn = notHeld;
  changedTask = notHeld;
  dayId = notHeld;
  periodId = notHeld;
}

/** Changes that can be shown before the server has made them: of entries, none of texts. */
export type ShownChange = Extract<Change, { change: 'set' | 'name' }>;

/**
 * What acts will change, if all that this follows from is held; null when it is not, or when they will be refused: then
 * the server says so.
 */
export function planAtOnce(acts: readonly Act[], outline: PartialOutline): ShownChange[] | null {
  try {
    return acts.flatMap((act) => {
      const definition = definitionOf(act);
      if ('steps' in definition) return notHeld();
      const { changes } = definition.plan(act, outline);
      changes.forEach((change) => outline.apply(change));
      return changes as ShownChange[];
    });
  } catch (error) {
    if (error instanceof NotHeld || error instanceof ActError || error instanceof PlaceError) return null;
    throw error;
  }
}
