import { bulleted } from './bulleted';
import { card } from './card';
import { codeBlock } from './codeBlock';
import { divider } from './divider';
import { file } from './file';
import { fold } from './fold';
import { heading } from './heading';
import { found } from './found';
import type { SolidKind, TextKind } from './kind';
import { log } from './log';
import { note } from './note';
import { numbered } from './numbered';
import { overview } from './overview';
import { paragraph } from './paragraph';
import { picture } from './picture';
import { quote } from './quote';
import { table } from './table';
import { todo } from './todo';

/** Every kind of running text. The first is what a line is of which nothing is said. */
export const TEXT_KINDS: readonly TextKind[] = [paragraph, heading, bulleted, numbered, todo, quote, note, fold];

/** Every other kind of block. */
export const SOLID_KINDS: readonly SolidKind[] = [divider, overview, log, found, picture, file, card, codeBlock, table];
