import { readFile } from '../markdown/readFile';
import { ENDINGS } from './endings';
import type { Reader } from './reader';

/** Markdown, as CommonMark and GitHub write it. */
export const markdown: Reader = { endings: ENDINGS.markdown, read: (file) => [readFile(file)] };
