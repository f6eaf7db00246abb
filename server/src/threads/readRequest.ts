import Joi from 'joi';
import { wellFormed } from '@glossarion/core/document';
import { base64, id, line } from '../values';
import type { SentFile } from './readFiles';

/** A file is its text, or its bytes in base64: then it is found out how its text is written. */
const file = Joi.object({
  path: Joi.string().max(1000).required(),
  text: Joi.string().allow(''),
  bytes: base64.allow(''),
}).xor('text', 'bytes');

/** What is sent: files of Markdown, each as text or as bytes. */
export const importRequest = Joi.object({
  id,
  name: line(300),
  files: Joi.array().items(file).min(1).max(20_000).required(),
});

export interface ImportRequest {
  id?: string;
  name?: string;
  files: SentFile[];
}

/** Reads and checks what an import is asked with; a sentence when it makes no sense. */
export function readRequest(body: Uint8Array): ImportRequest | { refusal: string } {
  let read: unknown;
  try {
    read = JSON.parse(Buffer.from(body).toString('utf8'));
  } catch {
    return { refusal: 'What was sent could not be read.' };
  }
  const { value, error } = importRequest.validate(read ?? {}) as Joi.ValidationResult<{
    id?: string;
    name?: string;
    files: { path: string; text?: string; bytes?: string }[];
  }>;
  if (error) return { refusal: `This can't be done as it was asked: ${error.message}.` };
  const files = value.files.map(({ path, text, bytes }) => ({
    path: wellFormed(path),
    // An encoder writes half of a surrogate pair as the sign for that.
    bytes: text === undefined ? new Uint8Array(Buffer.from(bytes!, 'base64')) : new TextEncoder().encode(text),
  }));
  return { id: value.id, name: value.name, files };
}
