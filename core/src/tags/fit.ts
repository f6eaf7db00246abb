import { foldTag } from './path';

/**
 * How well a tag fits what was typed of it, with its mark or without: none (0) unless its path holds that; more where the
 * path begins so, and most where its own name does too.
 */
export function tagFit({ path, name }: { path: string; name: string }, typed: string): number {
  const wanted = foldTag(typed.replace(/^#/u, '').trim());
  const [whole, own] = [foldTag(path), foldTag(name)];
  if (!whole.includes(wanted)) return 0;
  return 1 + Number(own.startsWith(wanted)) + 2 * Number(whole.startsWith(wanted));
}
