import type { BodyJson } from '../../document/types';
import type { Pigment } from '../../outline/entry';
import type { FileToWrite } from '../account/fileToWrite';

/** A page that is named by another. */
export interface SitePlace {
  title: string;
  path: string;
}

export interface Frame {
  path: string;
  title: string;
  /** What the whole site is called. */
  siteTitle: string;
  /** What it stands in, the outermost first. */
  trail: readonly SitePlace[];
  pigment: Pigment | null;
  /** What the head of a Markdown file would say, for whoever reads it again. */
  front?: Readonly<Record<string, unknown>>;
  /** Whether it only lists what there is. */
  isIndex?: boolean;
  /** The language of what was written, where one is known: BCP 47. */
  language: string;
}

/** A line of the contents, with what stands in it as far as it is listed here. */
export interface ContentsLine extends SitePlace {
  /** Whether it is a page; others are notebooks and sections. */
  isPage: boolean;
  pigment?: Pigment | null;
  /** What stands at its end: a day, a count. */
  at?: string;
  beneath?: readonly ContentsLine[];
}

/** A line of another page that leads to this one. */
export interface SiteGloss extends SitePlace {
  /** The line of this page that it stands beside; null for the head. */
  lineId: string | null;
  /** The id of the line it is; null for a field. */
  anchor: string | null;
  /** Where its page stands. */
  trail: string;
  pigment: Pigment | null;
  words: string;
}

/** A page of a site, with what is known of it beside its text. */
export interface SitePage extends Frame, Pick<FileToWrite, 'named' | 'files'> {
  body: BodyJson;
  otherNames: readonly string[];
  /** What it is and holds, in words. */
  fields: readonly { name: string; words: string }[];
  /** What is said of it in one line beneath its title. */
  note: string;
  glosses: readonly SiteGloss[];
  beneath: readonly ContentsLine[];
  before: SitePlace | null;
  after: SitePlace | null;
}
