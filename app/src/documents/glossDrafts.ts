import { ownWords, type NodeJson } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import type { KeptHere } from './localStore';
import { api, problemSentence } from '../state/api';
import { store } from '../state/store';
import { rememberedAccount } from '../state/memory';

/**
 * Lines that are being edited in a Margin, in this browser from the moment they are typed until the server has them: a
 * reload, a closed tab or a lost connection takes none of it away.
 */
export interface GlossDraft {
  pageId: string;
  pageTitle: string;
  /** The line as it is now, and as the server has it. */
  node: NodeJson;
  was: NodeJson;
}

const keyOf = (accountId: string) => `glossarion-drafts-${accountId}`;

function read(accountId: string): Record<string, GlossDraft> {
  try {
    return JSON.parse(localStorage.getItem(keyOf(accountId)) ?? '{}') as Record<string, GlossDraft>;
  } catch {
    return {};
  }
}

function change(edit: (drafts: Record<string, GlossDraft>) => void): void {
  const account = rememberedAccount();
  if (!account) return;
  const drafts = read(account.id);
  edit(drafts);
  try {
    if (Object.keys(drafts).length === 0) localStorage.removeItem(keyOf(account.id));
    else localStorage.setItem(keyOf(account.id), JSON.stringify(drafts));
  } catch {
    // A browser that keeps nothing sends it a moment later all the same.
  }
}

const idOf = ({ node }: Pick<GlossDraft, 'node'>): string => String(node.attrs?.id);

/** Held by the window in which a line is written for as long as it has a draft: no other is to send it meanwhile. */
const lockOf = (id: string): string => `glossarion-draft-${id}`;
const lettingGo = new Map<string, () => void>();

function hold(id: string): void {
  if (lettingGo.has(id)) return;
  const until = new Promise<void>((resolve) => lettingGo.set(id, resolve));
  void navigator.locks?.request(lockOf(id), () => until);
}

function letGo(id: string): void {
  lettingGo.get(id)?.();
  lettingGo.delete(id);
}

export function keepDraft(draft: GlossDraft): void {
  hold(idOf(draft));
  change((drafts) => void (drafts[idOf(draft)] = draft));
}

export function dropDraft(node: NodeJson): void {
  change((drafts) => void delete drafts[idOf({ node })]);
  letGo(idOf({ node }));
}

export const rewriting = ({ pageId, node, was }: GlossDraft): Act => ({
  do: 'rewrite',
  id: pageId,
  nodes: [node],
  was: [was],
});

/** Sends what a window that was closed had not sent; what is refused becomes a kept copy on its page. */
export async function sendDrafts(accountId: string, local: KeptHere): Promise<void> {
  for (const id of Object.keys(read(accountId))) {
    const send = async () => {
      const draft = read(accountId)[id];
      if (draft) await sendDraft(draft, local);
    };
    // A browser on an address that is not secure has no locks.
    if (!navigator.locks) await send();
    else await navigator.locks.request(lockOf(id), { ifAvailable: true }, async (lock) => lock && (await send()));
  }
}

async function sendDraft(draft: GlossDraft, local: KeptHere): Promise<void> {
  const sending = store.dispatch(api.endpoints.acts.initiate([rewriting(draft)]));
  try {
    await sending.unwrap();
    dropDraft(draft.node);
  } catch (error) {
    const { status } = error as { status?: unknown };
    if (typeof status !== 'number' || status >= 500 || status === 401) return;
    const reason = problemSentence(error);
    const at = new Date().toISOString();
    await local.keep({ pageId: draft.pageId, title: draft.pageTitle, text: ownWords(draft.node), reason, at });
    dropDraft(draft.node);
  }
}
