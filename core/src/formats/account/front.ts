import { stringify } from 'yaml';

/**
 * A text that is plain in YAML (1.2.2, 7.3.3) whatever stands around it, by no more than this: an id, a moment, or words
 * of letters, digits and single spaces. The library looks at each text so long that heads took as long as all that
 * stands beneath them.
 */
const PLAIN =
  /^(?:[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}|\d{4}-\d\d-\d\dT[\d:.]+Z|(?!(?:null|true|false)$)\p{L}[\p{L}\p{N}]*(?: [\p{L}\p{N}]+)*)$/iu;

const isPlain = (value: unknown): value is string => typeof value === 'string' && PLAIN.test(value);

function written(key: string, value: unknown): string {
  if (isPlain(value)) return `${key}: ${value}\n`;
  if (Array.isArray(value) && value.length > 0 && value.every(isPlain)) {
    return `${key}:\n${value.map((each) => `  - ${each}\n`).join('')}`;
  }
  return stringify({ [key]: value }, { lineWidth: 0 });
}

/** The head of a file in YAML; nothing when it says nothing. What is undefined goes unsaid. */
export function writeFront(front: Readonly<Record<string, unknown>>): string {
  let head = '';
  for (const [key, value] of Object.entries(front)) {
    if (value !== undefined) head += isPlain(key) ? written(key, value) : stringify({ [key]: value }, { lineWidth: 0 });
  }
  return head && `---\n${head}---\n`;
}
