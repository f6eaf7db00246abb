export { writePlain } from '@glossarion/core/formats/plain';
export { readHtml, writeHtml } from '@glossarion/core/formats/html';
export {
  MAX_FILE_TEXT,
  readMarkdown,
  resolveReferences,
  textOfBytes,
  writeMarkdown,
} from '@glossarion/core/formats/markdown';
