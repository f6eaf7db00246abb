// What these packages do not say of themselves.

declare module 'stopword' {
  type Words = readonly string[];
  export const ara: Words, bul: Words, dan: Words, deu: Words, ell: Words, eng: Words, fin: Words, fra: Words;
  export const heb: Words, hin: Words, hun: Words, ita: Words, kor: Words, nld: Words, nob: Words, pol: Words;
  export const por: Words, ron: Words, rus: Words, spa: Words, swe: Words, tur: Words, ukr: Words;
}

declare module '@nlpjs/lang-pl/src/stemmer-pl.js' {
  export default class StemmerPl {
    constructor(container: object);
    stemWord(word: string): string;
  }
}
