import type { ActDefinition, AnyAct } from './act';
import { beginPeriod, type BeginPeriod } from './beginPeriod';
import { bin, type Bin } from './bin';
import type { Changed } from '../notices/changed';
import { describe, type Describe } from './describe';
import { describeKind, type DescribeKind } from './describeKind';
import { describeTag, type DescribeTag } from './describeTag';
import { dropBlocks, type DropBlocks } from './dropBlocks';
import { duplicate, type Duplicate } from './duplicate';
import { foldBack, type FoldBack } from './foldBack';
import { addFormer, removeFormer, type AddFormer, type RemoveFormer } from './former';
import { file, type File } from './file';
import { jot, type Jot } from './jot';
import { leadTo, type LeadTo } from './leadTo';
import { leaveUnlinked, type LeaveUnlinked } from './leaveUnlinked';
import { lift, type Lift } from './lift';
import { linkNames, type LinkNames } from './linkNames';
import { make, type Make } from './make';
import { merge, type Merge } from './merge';
import { mergeTags, type MergeTags } from './mergeTags';
import { moveBlocks, type MoveBlocks } from './moveBlocks';
import { moveGloss, type MoveGloss } from './moveGloss';
import { name, type Name } from './name';
import { nameTag, type NameTag } from './nameTag';
import { otherNames, type OtherNames } from './otherNames';
import { pin, type PinAct } from './pin';
import { place, type PlaceAct } from './place';
import { putBack, type PutBack } from './putBack';
import { putBlocks, type PutBlocks } from './putBlocks';
import { restore, type Restore } from './restore';
import { rewrite, type Rewrite } from './rewrite';
import { saveSearch, type SaveSearch } from './saveSearch';
import { season, type SeasonAct } from './season';
import { send, type Send } from './send';
import { setField, type SetField } from './setField';
import { setFields, type SetFields } from './setFields';
import { setKinds, type SetKinds } from './setKinds';
import { setTask, type SetTask } from './setTask';
import { split, type Split } from './split';
import { tray, type TrayAct } from './tray';
import { unbin, type Unbin } from './unbin';
import { unmake, type Unmake } from './unmake';
import { unpin, type Unpin } from './unpin';
import { wear, type Wear } from './wear';

/**
 * The structural acts. Each is small, names what it touches by id, and has an inverse that is made of acts too: so undo
 * and redo are acts like any other, for whatever was done. What one is stands in its own file; this is the list.
 */
export type Act =
  | AddFormer
  | BeginPeriod
  | Bin
  | Describe
  | DescribeKind
  | DescribeTag
  | DropBlocks
  | Duplicate
  | File
  | FoldBack
  | Jot
  | LeadTo
  | LeaveUnlinked
  | Lift
  | LinkNames
  | Make
  | Merge
  | MergeTags
  | MoveBlocks
  | MoveGloss
  | Name
  | NameTag
  | OtherNames
  | PinAct
  | PlaceAct
  | PutBack
  | PutBlocks
  | RemoveFormer
  | Restore
  | Rewrite
  | SaveSearch
  | SeasonAct
  | Send
  | SetField
  | SetFields
  | SetKinds
  | SetTask
  | Split
  | TrayAct
  | Unbin
  | Unmake
  | Unpin
  | Wear;

export type ActKind = Act['do'];

export const ACTS: { readonly [K in ActKind]: ActDefinition<Extract<Act, { do: K }>> } = {
  addFormer,
  beginPeriod,
  bin,
  describe,
  describeKind,
  describeTag,
  dropBlocks,
  duplicate,
  file,
  foldBack,
  jot,
  leadTo,
  leaveUnlinked,
  lift,
  linkNames,
  make,
  merge,
  mergeTags,
  moveBlocks,
  moveGloss,
  name,
  nameTag,
  otherNames,
  pin,
  place,
  putBack,
  putBlocks,
  removeFormer,
  restore,
  rewrite,
  saveSearch,
  season,
  send,
  setField,
  setFields,
  setKinds,
  setTask,
  split,
  tray,
  unbin,
  unmake,
  unpin,
  wear,
};

/** Every act, by its name. */
export const ACT_KINDS = Object.keys(ACTS) as ActKind[];

/** What an act is, whichever it is. */
export const definitionOf = (act: Act): ActDefinition<AnyAct> => ACTS[act.do] as unknown as ActDefinition<AnyAct>;

/** The entries that acts change the name, place or state of. */
export const touchedBy = (acts: readonly Act[]): string[] => [
  ...new Set(acts.flatMap((act) => definitionOf(act).touches(act))),
];

/** What others must ask for again after acts. */
export const changedBy = (acts: readonly Act[]): Changed[] => [
  ...new Set(acts.flatMap((act) => definitionOf(act).changes)),
];

/** Whether acts make or take away more entries than they name. */
export const touchMany = (acts: readonly Act[]): boolean => acts.some((act) => definitionOf(act).touchesMany === true);

/** Whether acts change the lines of pages. */
export const bringText = (acts: readonly Act[]): boolean => acts.some((act) => definitionOf(act).bringsText === true);
