/** By hand: words are counted at every key, and looked up by the dozen for one search. */

/**
 * Adds to the lines that hold words, given as `[word, language, stem, lines]`; a word that none holds any more goes (the
 * table's trigger).
 */
export const COUNT_WORDS = `
  INSERT INTO vocabulary (ownerId, word, language, stem, lines)
  SELECT ?, value ->> 0, value ->> 1, value ->> 2, value ->> 3 FROM json_each(?) WHERE true
  ON CONFLICT DO UPDATE SET lines = lines + excluded.lines`;

/** What is known of one word. */
export const WORD = 'SELECT v.language, v.stem, v.lines FROM vocabulary v WHERE OWN(v) AND v.word = @word';

/**
 * The words that have one of these stems, given as languages and stems in turn; those in most lines first. By the index
 * of stems: grouping would take all words in their order.
 */
export const FORMS = `
  SELECT v.word, SUM(v.lines) AS lines FROM json_each(@stems) asked
  CROSS JOIN vocabulary v INDEXED BY vocabulary_by_stem ON v.language = asked.value ->> 0 AND v.stem = asked.value ->> 1
  WHERE OWN(v) GROUP BY v.word ORDER BY lines DESC LIMIT @limit`;
