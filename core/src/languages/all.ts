import StemmerPl from '@nlpjs/lang-pl/src/stemmer-pl.js';
import { stemmer as arabic } from '@orama/stemmers/arabic';
import { stemmer as bulgarian } from '@orama/stemmers/bulgarian';
import { stemmer as danish } from '@orama/stemmers/danish';
import { stemmer as dutch } from '@orama/stemmers/dutch';
import { stemmer as english } from '@orama/stemmers/english';
import { stemmer as finnish } from '@orama/stemmers/finnish';
import { stemmer as french } from '@orama/stemmers/french';
import { stemmer as german } from '@orama/stemmers/german';
import { stemmer as greek } from '@orama/stemmers/greek';
import { stemmer as hindi } from '@orama/stemmers/indian';
import { stemmer as hungarian } from '@orama/stemmers/hungarian';
import { stemmer as italian } from '@orama/stemmers/italian';
import { stemmer as norwegian } from '@orama/stemmers/norwegian';
import { stemmer as portuguese } from '@orama/stemmers/portuguese';
import { stemmer as romanian } from '@orama/stemmers/romanian';
import { stemmer as russian } from '@orama/stemmers/russian';
import { stemmer as spanish } from '@orama/stemmers/spanish';
import { stemmer as swedish } from '@orama/stemmers/swedish';
import { stemmer as turkish } from '@orama/stemmers/turkish';
import { stemmer as ukrainian } from '@orama/stemmers/ukrainian';
import * as small from 'stopword';
import { language, type Language, type Script } from './language';
import { withoutParticle } from './korean';
import { withoutPrefix } from './hebrew';

/** The article, with what may stand before it; the stemmer leaves it where the word goes on with its last letter. */
const ARTICLE = /^[وفبك]?ال(?=.{3})/u;

const polish = new StemmerPl({});

type Row = readonly [
  code: string,
  name: string,
  script: Script,
  letters: string,
  small: readonly string[],
  withoutEnding: (word: string) => string,
];

const ROWS: readonly Row[] = [
  ['en', 'English', 'Latin', '', small.eng, english],
  ['de', 'Deutsch', 'Latin', 'äöüß', small.deu, german],
  ['fr', 'Français', 'Latin', 'àâçéèêëîïôœùû', small.fra, french],
  ['es', 'Español', 'Latin', 'áéíñóúü', small.spa, spanish],
  ['it', 'Italiano', 'Latin', 'àèéìòù', small.ita, italian],
  ['pt', 'Português', 'Latin', 'ãõáâçéêíóôú', small.por, portuguese],
  ['nl', 'Nederlands', 'Latin', 'ëï', small.nld, dutch],
  ['pl', 'Polski', 'Latin', 'ąćęłńóśźż', small.pol, (word) => polish.stemWord(word)],
  ['sv', 'Svenska', 'Latin', 'åäö', small.swe, swedish],
  ['da', 'Dansk', 'Latin', 'åæø', small.dan, danish],
  ['no', 'Norsk', 'Latin', 'åæø', small.nob, norwegian],
  ['fi', 'Suomi', 'Latin', 'äö', small.fin, finnish],
  ['hu', 'Magyar', 'Latin', 'áéíóöőúüű', small.hun, hungarian],
  ['ro', 'Română', 'Latin', 'ăâîșț', small.ron, romanian],
  ['tr', 'Türkçe', 'Latin', 'çğıöşü', small.tur, turkish],
  ['el', 'Ελληνικά', 'Greek', '', small.ell, greek],
  ['ru', 'Русский', 'Cyrillic', 'ыэё', small.rus, russian],
  ['uk', 'Українська', 'Cyrillic', 'іїєґ', small.ukr, ukrainian],
  ['bg', 'Български', 'Cyrillic', '', small.bul, bulgarian],
  ['ar', 'العربية', 'Arabic', '', small.ara, (word) => arabic(word.replace(ARTICLE, ''))],
  ['he', 'עברית', 'Hebrew', '', small.heb, withoutPrefix],
  ['hi', 'हिन्दी', 'Devanagari', '', small.hin, hindi],
  ['ko', '한국어', 'Hangul', '', small.kor, withoutParticle],
];

/** The languages whose forms are known; of those that a line may be in alike, the first is taken. */
export const LANGUAGES = ROWS.map(([code, name, script, letters, small, withoutEnding]) =>
  language({ code, name, script, letters, small, withoutEnding }),
);

const byCode = new Map(LANGUAGES.map((each) => [each.code, each]));

/** The language of a code; nothing when its forms are not known. */
export const languageOf = (code: string): Language | undefined => byCode.get(code);
