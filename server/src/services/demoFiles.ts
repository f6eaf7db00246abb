import { createReadStream } from 'node:fs';
import path from 'node:path';
import { newId, ownWords, type NodeJson } from '@glossarion/core/document';
import type { Viewer } from '../access';
import type { Services } from '.';

interface DemoFile {
  file: string;
  page: string;
  /** The line it stands after begins with this. */
  after: string;
  alt?: string;
  caption: string;
  width?: number;
}

/** The demo's drawings, its report and its sound (demo/draw.mjs), and where they stand. */
const FILES: readonly DemoFile[] = [
  {
    file: 'leaf.svg',
    page: 'Sluice gate no. 2',
    after: 'Seven boards of elm',
    alt: 'The gate’s leaf from the seaward side: seven boards in a frame, the heel by the pintle marked soft',
    caption: 'The leaf from seaward; red is soft.',
    width: 100,
  },
  {
    file: 'tides.svg',
    page: 'Working windows',
    after: '',
    alt: 'Heights of a spring and a neap tide over a day, with the height of the sill',
    caption: 'A day of springs and a day of neaps against the sill.',
    width: 100,
  },
  {
    file: 'wheel.svg',
    page: 'Undershot wheel',
    after: 'Sixteen feet across',
    alt: 'The wheel from the side, its floats in the water',
    caption: 'From the bridge side.',
    width: 55,
  },
  { file: 'Culvert report.pdf', page: 'Culvert', after: '', caption: 'What the inspector found, at low water.' },
  { file: 'bridge bell.wav', page: 'Stop logs', after: '', caption: 'What the radio check sounds like from the pool.' },
];

/** Attaches the demo's files to its pages, as people attach theirs. */
export async function attachDemoFiles(services: Services, viewer: Viewer, folder: string): Promise<void> {
  for (const { file, page, after, alt = '', caption, width = null } of FILES) {
    const found = (await services.find.byName(viewer, page, 5)).find((each) => each.title === page);
    if (!found) continue;
    const { id, name, media, size } = await services.attachments.take(
      viewer,
      file,
      createReadStream(path.join(folder, file)),
    );
    const { content } = services.pages.read(viewer, found.id).body;
    const line = content.find((node) => ownWords(node).startsWith(after));
    const placed = { id: newId(), depth: 0, tint: null, file: id, name, caption };
    const node: NodeJson = media.startsWith('image/')
      ? { type: 'picture', attrs: { ...placed, alt, width } }
      : { type: 'file', attrs: { ...placed, media, size } };
    const afterId = line ? String(line.attrs?.id) : null;
    await services.acts.perform(viewer, [{ do: 'putBlocks', id: found.id, afterId, nodes: [node] }]);
  }
}
