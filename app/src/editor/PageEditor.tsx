import { EditorContent, useEditor } from '@tiptap/react';
import type { Editor } from '@tiptap/core';
import { useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import type { BodyJson } from '@glossarion/core/document';
import type { PageDocument } from '../documents/pageDocument';
import type { DateOffer } from './dateOffers';
import { EditorTools } from './EditorTools';
import { pageExtensions } from './extensions';
import type { LineActs } from './lineActs';
import { isDrawnByReact } from './nodeView';
import { selectBlock } from './outline';
import { tellSpokenOf, type SpokenOf } from './spokenOf';
import { takenBy, type PickerHandle } from './pickerHandle';
import type { TypedQuery } from './typedQuery';
import type { WritingPlace } from './writingPlace';
import { reachRest } from '../kit/atRest';
import { around, later } from '../kit/later';

const InsertMenu = later(async () => (await import('./pickers')).InsertMenu, true);
const LinkPicker = later(async () => (await import('./pickers')).LinkPicker, true);
const TagPicker = later(async () => (await import('./pickers')).TagPicker, true);
const DateChip = around(async () => (await import('./DateChip')).DateChip);

export interface PageEditorProps {
  page: PageDocument;
  place: WritingPlace;
  label: string;
  placeholder?: string;
  onOpen: (target: string, isBeside: boolean) => void;
  /** What is done with lines that reaches beyond the page. */
  lines: LineActs;
  /** Called a moment after the text has changed, and once when it is first shown. */
  onBody?: (body: BodyJson) => void;
  /** The element the text stands in, beside which its tools are set. */
  text: RefObject<HTMLElement | null>;
  /** Whether it is the page of the screen, and not one beside it. */
  isMain?: boolean;
  /** Of which lines something speaks beside the text, and where it stands. */
  spokenOf?: SpokenOf;
  /** The id of the block to put the cursor in once shown; `start` for the first. */
  focus?: string | null;
}

/** In milliseconds after the last key, so that what reads the whole text never stands in the way of one who writes. */
const BODY_AFTER = 250;
/** In milliseconds after the first change that was not told yet. */
const BODY_AT_LATEST = 5_000;
const FIRST_BODY_AFTER = 30;

/** A page's text, for writing. Everything the rest of the app knows of the editor goes through these properties. */
export function PageEditor({
  page,
  place,
  label,
  placeholder,
  onOpen,
  lines,
  onBody,
  focus,
  text,
  isMain = true,
  spokenOf,
}: PageEditorProps) {
  const [linkQuery, setLinkQuery] = useState<TypedQuery | null>(null);
  const [selectedQuery, setSelectedQuery] = useState<TypedQuery | null>(null);
  const [dateOffer, setDateOffer] = useState<DateOffer | null>(null);
  const [insertQuery, setInsertQuery] = useState<TypedQuery | null>(null);
  const [tagQuery, setTagQuery] = useState<TypedQuery | null>(null);
  const typedTag = useRef<string>('');
  typedTag.current = tagQuery?.typed ?? '';
  const picker = useRef<PickerHandle>(null);
  const { title } = place;
  const latest = useRef({ onOpen, onBody, label, title });
  latest.current = { onOpen, onBody, label, title };
  const { document } = page;
  const takeKey = (key: string) => takenBy(picker.current, key);

  const extensions = useMemo(
    () =>
      pageExtensions({
        page,
        placeholder: placeholder ?? 'Write here. Two brackets [[ link to a page, a slash / inserts.',
        title: () => latest.current.title,
        onOpen: (target, isBeside) => latest.current.onOpen(target, isBeside),
        link: { onChange: setLinkQuery, onKey: takeKey },
        selection: { onChange: setSelectedQuery },
        dates: { onChange: setDateOffer },
        insert: { onChange: setInsertQuery, onKey: takeKey },
        // Of the mark alone nobody says which tag: Enter ends the line.
        tag: {
          onChange: setTagQuery,
          onKey: (key) => (typedTag.current === '' && (key === 'Enter' || key === 'Tab') ? false : takeKey(key)),
        },
      }),
    // A page that was started afresh has a new document and needs a new editor.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [page, document],
  );

  const editor = useEditor(
    {
      extensions,
      editorProps: {
        attributes: () => ({
          class: 'writing',
          role: 'textbox',
          'aria-multiline': 'true',
          'aria-label': latest.current.label,
          spellcheck: 'true',
          autocapitalize: 'sentences',
        }),
        scrollMargin: { top: 40, bottom: 120, left: 0, right: 0 },
        scrollThreshold: { top: 20, bottom: 90, left: 0, right: 0 },
      },
      onBeforeCreate: ({ editor: created }) => drawOnce(created),
      immediatelyRender: true,
      shouldRerenderOnTransaction: false,
    },
    [extensions],
  );

  useTellBody(editor, latest);
  const called = useRef(label);
  useEffect(() => {
    // What it is called follows its title.
    if (editor && !editor.isDestroyed && called.current !== label) editor.view.setProps({});
    called.current = label;
  }, [editor, label]);
  useEffect(() => {
    if (editor) reachRest();
  }, [editor]);
  useKeptFocus(editor);
  useEffect(() => {
    if (editor) tellSpokenOf(editor, spokenOf);
  }, [editor, spokenOf]);

  useEffect(() => {
    if (!editor || !focus) return;
    const timer = setTimeout(() => {
      if (editor.isDestroyed) return;
      const transaction = focus === 'start' ? null : selectBlock(editor.state, focus);
      if (transaction) editor.view.dispatch(transaction);
      editor.view.focus();
    });
    return () => clearTimeout(timer);
  }, [editor, focus]);

  return (
    <>
      <EditorContent editor={editor} />
      {editor && <EditorTools editor={editor} pageId={place.pageId} lines={lines} text={text} isMain={isMain} />}
      {editor && linkQuery && <LinkPicker handle={picker} editor={editor} query={linkQuery} place={place} />}
      {editor && selectedQuery && !linkQuery && (
        <LinkPicker
          key={`${selectedQuery.from} ${selectedQuery.typed}`}
          handle={picker}
          editor={editor}
          query={selectedQuery}
          place={place}
          isSelected
        />
      )}
      {editor && dateOffer && !linkQuery && !insertQuery && <DateChip editor={editor} offer={dateOffer} />}
      {editor && insertQuery && !linkQuery && (
        <InsertMenu handle={picker} editor={editor} query={insertQuery} place={place} />
      )}
      {editor && tagQuery && !linkQuery && (
        <TagPicker handle={picker} editor={editor} query={tagQuery} pageId={place.pageId} />
      )}
    </>
  );
}

/** The library draws the whole text anew when the editor is put in its place, which only blocks need that React draws. */
function drawOnce(editor: Editor): void {
  const drawAgain = editor.createNodeViews.bind(editor);
  editor.createNodeViews = () => {
    let isNeeded = false;
    editor.state.doc.forEach((node) => (isNeeded ||= isDrawnByReact(node.type.name)));
    if (isNeeded) drawAgain();
  };
}

/** A page that was started afresh while it was written in goes on having the cursor. */
function useKeptFocus(editor: Editor | null): void {
  const hasFocus = useRef(false);
  useEffect(() => {
    if (!editor) return;
    if (hasFocus.current) editor.commands.focus('end');
    const note = () => {
      hasFocus.current = true;
    };
    const forget = () => {
      if (editor.view.dom.isConnected) hasFocus.current = false;
    };
    editor.on('focus', note);
    editor.on('blur', forget);
    return () => {
      editor.off('focus', note);
      editor.off('blur', forget);
    };
  }, [editor]);
}

function useTellBody(editor: Editor | null, latest: { current: { onBody?: (body: BodyJson) => void } }): void {
  useEffect(() => {
    if (!editor) return;
    let untoldSince: number | null = null;
    const tell = () => {
      untoldSince = null;
      if (!editor.isDestroyed) latest.current.onBody?.(editor.getJSON() as BodyJson);
    };
    // Once the text is on the screen: a long page takes a while to be read.
    let timer = setTimeout(tell, FIRST_BODY_AFTER);
    const later = () => {
      const now = Date.now();
      untoldSince ??= now;
      clearTimeout(timer);
      timer = setTimeout(tell, Math.min(BODY_AFTER, untoldSince + BODY_AT_LATEST - now));
    };
    editor.on('update', later);
    return () => {
      editor.off('update', later);
      clearTimeout(timer);
    };
  }, [editor, latest]);
}
