import type { LineActs } from '../../editor';
import { copyBlockLink } from './links';
import { excerptBeside, liftLines, sendLines } from './partActs';

/** What the editor offers for lines and this app does: lifting, sending, taking an excerpt across, copying their address. */
export const lineActs: LineActs = {
  copyLink: copyBlockLink,
  lift: liftLines,
  send: sendLines,
  excerptBeside,
};
