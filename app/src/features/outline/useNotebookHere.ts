import { useBlockPlaceQuery, useEntryQuery } from '../../state/api';

/** The id of the notebook that the shown address stands in; null when it stands in none, undefined until it is known. */
export function useNotebookHere(path: string): string | null | undefined {
  const match = /^\/(n|p|b)\/([0-9a-f-]{36})/u.exec(path);
  const isBlock = match?.[1] === 'b';
  const { currentData: block } = useBlockPlaceQuery(match?.[2] ?? '', { skip: !isBlock });
  const id = isBlock ? block?.pageId : match?.[2];
  const { currentData: entry, isError } = useEntryQuery(id ?? '', { skip: !id });
  if (!match || isError) return null;
  if (!entry) return undefined;
  return entry.kind === 'notebook' ? entry.id : (entry.trail[0]?.id ?? null);
}

/** The page an address shows and the notebook it stands in, once both are known. */
export function usePlaceHere(path: string): { notebookId: string; pageId: string } | null {
  const pageId = usePageHere(path);
  const notebookId = useNotebookHere(pageId ? path : '');
  return pageId && notebookId ? { notebookId, pageId } : null;
}

/** The id of the page an address shows. */
export function usePageHere(path: string): string | null {
  const match = /^\/(p|b)\/([0-9a-f-]{36})/u.exec(path);
  const isBlock = match?.[1] === 'b';
  const { currentData: block } = useBlockPlaceQuery(match?.[2] ?? '', { skip: !isBlock });
  return isBlock ? (block?.pageId ?? null) : (match?.[2] ?? null);
}
