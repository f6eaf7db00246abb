import type { ExportForm } from '@glossarion/core/works';
import { calendar } from './calendar';
import { csv } from './csv';
import { epub } from './epub';
import type { Form } from './form';
import { json } from './json';
import { markdown } from './markdown';
import { opml } from './opml';
import { print } from './print';
import { site } from './site';

/** All that notes are written as. */
export const FORMS: Record<ExportForm, Form> = { markdown, site, epub, print, json, opml, csv, calendar };
