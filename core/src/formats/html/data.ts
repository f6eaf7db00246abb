import type { Element } from 'hast';
import { isId, newId } from '../../document/ids';
import { BLOCK_KINDS, HIGHLIGHTS, MAX_DEPTH, TASK_STATES, type NodeJson } from '../../document/types';
import { overviewNode, overviewOf } from '../../overview/overview';

const oneOf = <T extends string>(list: readonly T[], value: unknown): T | undefined =>
  list.find((each) => each === value);

/** What the data attributes of an element say of its block. */
export function sharedData({ properties }: Element): Record<string, unknown> {
  const { dataId, dataDepth, dataTint, dataKind, dataLevel, dataState, dataFormer, dataKept, dataFolded } = properties;
  const depth = Number(dataDepth);
  const tint = oneOf(HIGHLIGHTS, dataTint);
  const kind = oneOf(BLOCK_KINDS, dataKind);
  const state = oneOf(TASK_STATES, dataState);
  return {
    ...(isId(dataId) && { id: dataId }),
    ...(dataDepth !== undefined && depth >= 0 && { depth: Math.min(Math.trunc(depth), MAX_DEPTH) }),
    ...(tint && { tint }),
    ...(kind && { kind }),
    ...(kind === 'heading' && { level: Number(dataLevel) || 2 }),
    ...(state && { state }),
    ...(typeof dataFormer === 'string' && dataFormer.split(' ').every(isId) && { formerIds: dataFormer }),
    ...(dataKept === 'true' && { kept: true }),
    ...((dataFolded === 'true' || dataFolded === 'false') && { folded: dataFolded === 'true' }),
  };
}

const textOf = (element: Element, tag: string): string => {
  const found = element.children.find((each) => each.type === 'element' && each.tagName === tag) as Element | undefined;
  return (found?.children ?? []).map((each) => (each.type === 'text' ? each.value : '')).join('');
};

/** Reads a block that HTML has no element for, as the product writes it; null for any other element. */
export function readOwn(element: Element, depth: number): NodeJson | null {
  const { properties } = element;
  const placed = { id: newId(), depth, tint: null, ...sharedData(element) };
  if (typeof properties.dataOverview === 'string') {
    const attributes = overviewOf({
      subject: properties.dataOverview,
      target: properties.dataOf ?? null,
      levels: Number(properties.dataLevels ?? 0),
      order: properties.dataOrder,
      chosen: properties.dataChosen ?? null,
    });
    const node = overviewNode(String(placed.id), attributes);
    return { ...node, attrs: { ...node.attrs, ...placed } };
  }
  if (isId(properties.dataCard)) return { type: 'card', attrs: { ...placed, target: properties.dataCard } };
  const name = String(properties.dataName ?? '');
  const caption = textOf(element, 'figcaption');
  if (isId(properties.dataPicture)) {
    const image = element.children.find((each) => each.type === 'element' && each.tagName === 'img') as
      Element | undefined;
    const width = properties.dataWidth === undefined ? null : Number(properties.dataWidth);
    const attrs = { file: properties.dataPicture, name, alt: String(image?.properties.alt ?? ''), caption, width };
    return { type: 'picture', attrs: { ...placed, ...attrs } };
  }
  if (isId(properties.dataFile)) {
    const media = String(properties.dataMedia ?? 'application/octet-stream');
    const attrs = { file: properties.dataFile, name, media, size: Number(properties.dataSize ?? 0), caption };
    return { type: 'file', attrs: { ...placed, ...attrs } };
  }
  return null;
}
