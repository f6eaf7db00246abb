import type { FieldType } from './type';

/** A host with a name beneath a top-level one, as people type it: “saltmere.example/mill”. */
const HOST = /^(?:[\p{L}\p{N}-]+\.)+\p{L}{2,}(?::\d+)?(?:[/?#]\S*)?$/u;
const MAIL = /^[^\s@:/]+@(?:[\p{L}\p{N}-]+\.)*[\p{L}\p{N}-]+$/u;
const TELEPHONE = /^\+?[\d][\d ().-]{4,}\d$/u;

/** The address that is meant, in full; null for what leads nowhere, and for what would run something. */
export function addressTyped(typed: string): string | null {
  const words = typed.trim();
  if (/\s/u.test(words) && !TELEPHONE.test(words)) return null;
  if (/^(?:https?:\/\/\S+|mailto:\S+@\S+|tel:\S+)$/iu.test(words)) return words;
  if (MAIL.test(words)) return `mailto:${words}`;
  if (HOST.test(words)) return `https://${words}`;
  return TELEPHONE.test(words) ? `tel:${words.replace(/[ ().-]+/gu, '-')}` : null;
}

/**
 * An address as it is shown: without what every one has. The parts of a telephone number are parted by dashes in its
 * address, which may hold no spaces (RFC 3966, 3: visual separators).
 */
export const shownAddress = (address: string): string =>
  /^tel:/iu.test(address)
    ? address.slice('tel:'.length).replaceAll('-', ' ')
    : address.replace(/^(?:https?:\/\/|mailto:)/iu, '').replace(/\/$/u, '');

export const address: FieldType = {
  label: 'Address',
  part: 'atom',
  options: [],
  fits: (atom) => typeof atom === 'string' && addressTyped(atom) === atom,
  words: String,
  read: (words) => addressTyped(words),
};
