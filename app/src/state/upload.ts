import { problemSentence } from './api';
import { store } from './store';
import { noticed } from './view';

/** An attachment as the server keeps it. */
export interface Attachment {
  id: string;
  name: string;
  media: string;
  /** Bytes. */
  size: number;
}

/** What a file that was picked, dropped or pasted becomes on a page. */
export const isPicture = (media: string): boolean => /^image\/(?:png|jpeg|gif|webp|avif|apng|svg\+xml)$/u.test(media);

export const fileAddress = (id: string, name: string): string =>
  `/api/files/${id}${name ? `/${encodeURIComponent(name)}` : ''}`;

/** Sends a file; null when it was refused, which is said. */
export async function upload(file: Blob, name: string): Promise<Attachment | null> {
  try {
    const response = await fetch(`/api/files?name=${encodeURIComponent(name.slice(0, 300))}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: file,
    });
    const data = (await response.json()) as Attachment & { title?: string };
    if (response.ok) return data;
    store.dispatch(noticed({ words: `“${name}” was not attached. ${problemSentence({ data })}` }));
  } catch {
    store.dispatch(
      noticed({ words: `“${name}” was not attached: the server can’t be reached. Try again when it can.` }),
    );
  }
  return null;
}

/** 1.2 MB. */
export function sizeWords(bytes: number): string {
  if (bytes < 1000) return `${bytes} bytes`;
  const [amount, unit] = bytes < 1_000_000 ? [bytes / 1000, 'kB'] : [bytes / 1_000_000, 'MB'];
  return `${amount < 10 ? Math.round(amount * 10) / 10 : Math.round(amount)} ${unit}`;
}

/** Lets a person pick files. */
export const pickFiles = (accept: string): Promise<File[]> => pick((input) => (input.accept = accept));

/** Lets a person pick a folder; all files in it, each with its path in `webkitRelativePath`. */
export const pickFolder = (): Promise<File[]> => pick((input) => input.setAttribute('webkitdirectory', ''));

function pick(prepare: (input: HTMLInputElement) => void): Promise<File[]> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.multiple = true;
    prepare(input);
    input.className = 'picked-files';
    input.addEventListener('change', () => {
      resolve([...(input.files ?? [])]);
      input.remove();
    });
    input.addEventListener('cancel', () => {
      resolve([]);
      input.remove();
    });
    document.body.append(input);
    input.click();
  });
}
