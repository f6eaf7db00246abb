import type { Editor } from '@tiptap/core';
import type { EditorState, Transaction } from '@tiptap/pm/state';
import { useEffect, useReducer, useState } from 'react';
import { HIGHLIGHTS, shownWords, type NodeJson } from '@glossarion/core/document';
import { linkWords } from '../screen/words';
import { Action } from '../kit/Action';
import { Group } from '../kit/Group';
import { later } from '../kit/later';
import { Sheet } from '../kit/Sheet';
import { targetOf, useAppSelector } from '../state/store';
import { colour } from '../theme/tokens';
import { actedRange, choose, countOf, idsInRange } from './chosen';
import { OFFERS } from './kinds';
import type { LineActs } from './lineActs';
import { duplicateBlocks, indent, moveLine, removeBlocks, tint } from './outline';
import { stamp } from './stamp';
import { setTaskAt } from './tasks';

const TaskSheet = later(async () => (await import('../screen/TaskSheet')).TaskSheet, true);

interface BlockMenuProps {
  editor: Editor;
  pageId: string;
  acts: LineActs;
  onClose: () => void;
}

type Edit = (state: EditorState) => Transaction | null;

/** What can be done with the line with the cursor, or with all that are chosen. */
export function BlockMenu({ editor, pageId, acts, onClose }: BlockMenuProps) {
  const besideId = useAppSelector((state) => state.view.besideId);
  const range = actedRange(editor.state);
  const ids = idsInRange(editor.state, range);
  const count = countOf(editor.state, range);
  const title = ids.length > 1 ? `${count} lines` : count > 1 ? `This line and ${count - 1} beneath it` : 'This line';
  const run = (edit: Edit) => () => {
    onClose();
    const transaction = edit(editor.state);
    if (transaction) editor.view.dispatch(transaction);
    requestAnimationFrame(() => editor.view.focus());
  };
  const act = (work: () => unknown) => () => {
    onClose();
    void work();
  };
  const lines = { pageId, ids };
  const only = ids.length === 1 ? editor.state.doc.child(range.first) : null;
  const [isTask, setTask] = useState(false);
  if (isTask && only?.attrs.kind === 'todo') return <TaskOfLine editor={editor} id={ids[0]!} onClose={onClose} />;
  return (
    <Sheet title={title} onClose={onClose}>
      {only?.attrs.kind === 'todo' && (
        <Group label="Task">
          <Action label="Due, put off, repeat" onPress={() => setTask(true)} />
        </Group>
      )}
      <Group label="Turn into">
        {OFFERS.map(({ words, turn }) => turn && <Action key={words} label={words} onPress={run(turn)} />)}
      </Group>
      <Group label="Tint">
        {HIGHLIGHTS.map((pigment) => (
          <Swatch key={pigment} pigment={pigment} onPress={run((state) => tint(state, pigment))} />
        ))}
        <Action label="No tint" onPress={run((state) => tint(state, null))} />
      </Group>
      <Group label="Place">
        <Action label="Move up" onPress={run((state) => moveLine(state, -1))} />
        <Action label="Move down" onPress={run((state) => moveLine(state, 1))} />
        <Action label="Indent" onPress={run((state) => indent(state, 1))} />
        <Action label="Outdent" onPress={run((state) => indent(state, -1))} />
        <Action label="Duplicate" onPress={run(duplicateBlocks)} />
        <Action label="Put the time" onPress={run(stamp)} />
        <Action
          label="Choose lines"
          onPress={() => {
            onClose();
            setTimeout(() => editor.view.dispatch(choose(editor.state, range.first, range.last)), 60);
          }}
        />
      </Group>
      <Group label="Elsewhere">
        <Action label="Copy link" onPress={act(() => acts.copyLink(ids[0]!))} />
        {only?.type.name === 'block' && <Action label="A meeting or call" onPress={act(() => acts.meet(lines))} />}
        {(!only || only.type.name === 'block') && <Action label="Tag…" onPress={act(() => acts.tag(lines))} />}
        <Action label="Lift to a page" onPress={act(() => acts.lift(lines))} />
        <Action label="Send elsewhere" onPress={act(() => acts.send(lines))} />
        {besideId && (
          <Action label="Excerpt to the page beside" onPress={act(() => acts.excerptBeside(lines, besideId))} />
        )}
      </Group>
      <Group>
        <Action
          label={count === 1 ? 'Delete line' : `Delete ${count} lines`}
          tone={colour.vermilion}
          onPress={run(removeBlocks)}
        />
      </Group>
    </Sheet>
  );
}

/** What there is to be said of the task that a line is; it goes on showing what the line says. */
function TaskOfLine({ editor, id, onClose }: { editor: Editor; id: string; onClose: () => void }) {
  const [, drawAgain] = useReducer((count: number) => count + 1, 0);
  const position = positionOfBlock(editor.state, id);
  const node = position === null ? null : editor.state.doc.nodeAt(position);
  useEffect(() => {
    editor.on('transaction', drawAgain);
    return () => void editor.off('transaction', drawAgain);
  }, [editor]);
  if (position === null || !node) return null;
  return (
    <TaskSheet
      words={shownWords(node.toJSON() as NodeJson, (target) => linkWords(targetOf(target)))}
      attrs={node.attrs}
      onChange={(...changes) => {
        const transaction = setTaskAt(editor.state, position, ...changes);
        if (transaction) editor.view.dispatch(transaction);
      }}
      onClose={() => {
        onClose();
        requestAnimationFrame(() => editor.view.focus());
      }}
    />
  );
}

/** Where a block begins; null when it is not there any more. */
function positionOfBlock(state: EditorState, id: string): number | null {
  let found: number | null = null;
  state.doc.forEach((node, position) => {
    if (node.attrs.id === id) found ??= position;
  });
  return found;
}

function Swatch({ pigment, onPress }: { pigment: string; onPress: () => void }) {
  return (
    <button type="button" className="swatch" data-pigment={pigment} onClick={onPress}>
      {pigment}
    </button>
  );
}
