import { ownWords, type NodeJson, type TaskState } from '@glossarion/core/document';
import { api, problemSentence } from './api';
import { noteDeed } from './deeds';
import { store } from './store';
import { noticed } from './view';

const SAID: Record<TaskState, string> = { open: 'open again', begun: 'begun', done: 'done', dropped: 'dropped' };
const SHOWN = 60;

const shortened = (words: string): string => (words.length > SHOWN ? `${words.slice(0, SHOWN).trimEnd()}…` : words);

/** Sets the state of a to-do that is shown elsewhere than on its page; it can be taken back like any deed. */
export async function setTask(pageId: string, node: NodeJson, state: TaskState): Promise<void> {
  try {
    await store.dispatch(api.endpoints.setTaskState.initiate({ id: String(node.attrs?.id), state })).unwrap();
  } catch (error) {
    store.dispatch(noticed({ words: problemSentence(error) }));
    return;
  }
  const now = { ...node, attrs: { ...node.attrs, state } };
  noteDeed(`“${shortened(ownWords(node).trim() || 'A to-do')}” is ${SAID[state]}.`, [
    { do: 'rewrite', id: pageId, nodes: [node], was: [now] },
  ]);
}
