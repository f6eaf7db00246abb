import { ZipFile } from 'yazl';

/** An archive of these files. */
export async function zipped(files: Readonly<Record<string, string | Buffer>>): Promise<Buffer> {
  const zip = new ZipFile();
  for (const [name, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content), name);
  zip.end();
  const chunks: Buffer[] = [];
  for await (const chunk of zip.outputStream as AsyncIterable<Buffer>) chunks.push(chunk);
  return Buffer.concat(chunks);
}
