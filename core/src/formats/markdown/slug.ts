/** A heading as the part of an address after the hash: small letters, digits and hyphens for spaces. */
export const slugOf = (heading: string): string =>
  heading
    .toLowerCase()
    .trim()
    .replace(/[^\p{L}\p{M}\p{N}\p{Pc} -]/gu, '')
    .replace(/ /gu, '-');

/** The slugs of headings in their order; one that was there before is told apart by a number. */
export function slugsOf(headings: readonly string[]): string[] {
  const met = new Map<string, number>();
  return headings.map((heading) => {
    const slug = slugOf(heading);
    const before = met.get(slug) ?? 0;
    met.set(slug, before + 1);
    return before === 0 ? slug : `${slug}-${before}`;
  });
}
