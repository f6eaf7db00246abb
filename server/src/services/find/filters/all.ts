import type { Filter } from './filter';
import { changed, written } from './days';
import { has } from './has';
import { kind } from './kind';
import { links } from './links';
import { place } from './place';
import { season } from './season';
import { tag } from './tag';

/** The filters of the query line besides the fields of kinds, in the order in which they are offered. */
export const FILTERS: readonly Filter[] = [place, tag, kind, written, changed, links, has, season];
