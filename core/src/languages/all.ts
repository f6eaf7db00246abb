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
import { language, type Language } from './language';
import { LANGUAGE_NAMES, type LanguageCode } from './names';
import { withoutParticle } from './korean';
import { withoutPrefix } from './hebrew';

/** The article, with what may stand before it; the stemmer leaves it where the word goes on with its last letter. */
const ARTICLE = /^[وفبك]?ال(?=.{3})/u;

const polish = new StemmerPl({});

/** Of a language: letters beyond those of the bare script, small words, and what takes an ending off. */
type Row = readonly [letters: string, small: readonly string[], withoutEnding: (word: string) => string];

const ROWS: Readonly<Record<LanguageCode, Row>> = {
  en: ['', small.eng, english],
  de: ['äöüß', small.deu, german],
  fr: ['àâçéèêëîïôœùû', small.fra, french],
  es: ['áéíñóúü', small.spa, spanish],
  it: ['àèéìòù', small.ita, italian],
  pt: ['ãõáâçéêíóôú', small.por, portuguese],
  nl: ['ëï', small.nld, dutch],
  pl: ['ąćęłńóśźż', small.pol, (word) => polish.stemWord(word)],
  sv: ['åäö', small.swe, swedish],
  da: ['åæø', small.dan, danish],
  no: ['åæø', small.nob, norwegian],
  fi: ['äö', small.fin, finnish],
  hu: ['áéíóöőúüű', small.hun, hungarian],
  ro: ['ăâîșț', small.ron, romanian],
  tr: ['çğıöşü', small.tur, turkish],
  el: ['', small.ell, greek],
  ru: ['ыэё', small.rus, russian],
  uk: ['іїєґ', small.ukr, ukrainian],
  bg: ['', small.bul, bulgarian],
  ar: ['', small.ara, (word) => arabic(word.replace(ARTICLE, ''))],
  he: ['', small.heb, withoutPrefix],
  hi: ['', small.hin, hindi],
  ko: ['', small.kor, withoutParticle],
};

/** The languages whose forms are known; of those that a line may be in alike, the first is taken. */
export const LANGUAGES = LANGUAGE_NAMES.map(({ code, name, script }) => {
  const [letters, small, withoutEnding] = ROWS[code];
  return language({ code, name, script, letters, small, withoutEnding });
});

const byCode = new Map<string, Language>(LANGUAGES.map((each) => [each.code, each]));

/** The language of a code; nothing when its forms are not known. */
export const languageOf = (code: string): Language | undefined => byCode.get(code);
