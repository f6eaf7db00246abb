import type { LineActs } from '../../editor';
import { copyBlockLink } from './links';
import { excerptBeside, liftLines, meetFromLine, sendLines, tagLines } from './partActs';

/** What the editor offers for lines and this app does: lifting, sending, tagging, noting a meeting, taking an excerpt across, copying their address. */
export const lineActs: LineActs = {
  copyLink: copyBlockLink,
  lift: liftLines,
  send: sendLines,
  tag: tagLines,
  meet: meetFromLine,
  excerptBeside,
};
