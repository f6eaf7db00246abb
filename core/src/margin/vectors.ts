/** Sparse word vectors and their likeness: term frequency times inverse document frequency (Spärck Jones 1972). */

export type WordVector = Map<string, number>;

/** Builds a vector for each text out of its words; a word's weight grows with its rarity among the texts given. */
export function wordVectors(texts: readonly (readonly string[])[]): WordVector[] {
  const documentCount = new Map<string, number>();
  for (const words of texts) {
    for (const word of new Set(words)) documentCount.set(word, (documentCount.get(word) ?? 0) + 1);
  }
  return texts.map((words) => {
    const vector: WordVector = new Map();
    for (const word of words) vector.set(word, (vector.get(word) ?? 0) + 1);
    for (const [word, count] of vector) {
      vector.set(word, (1 + Math.log(count)) * Math.log(1 + texts.length / documentCount.get(word)!));
    }
    return vector;
  });
}

const length = (vector: WordVector): number => Math.sqrt([...vector.values()].reduce((sum, each) => sum + each * each, 0));

/** The cosine of the angle between two vectors: 0 for nothing in common, 1 for the same. */
export function cosine(one: WordVector, other: WordVector): number {
  const [small, large] = one.size < other.size ? [one, other] : [other, one];
  let product = 0;
  for (const [word, weight] of small) product += weight * (large.get(word) ?? 0);
  return product === 0 ? 0 : product / (length(one) * length(other));
}
