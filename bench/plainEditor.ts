import { Editor } from '@tiptap/core';
import Collaboration from '@tiptap/extension-collaboration';
import * as Y from 'yjs';
import { block, documentMarks, documentNodes, seedDocument, type BodyJson } from '@glossarion/core/document';

/** The anchor for typing: Tiptap with Collaboration and the same schema, and nothing of the product's own. */
declare global {
  interface Window {
    openPlain: (lines: string[]) => void;
  }
}

window.openPlain = (lines) => {
  const body: BodyJson = { type: 'doc', content: lines.map((line) => block('paragraph', line)) };
  const document = new Y.Doc();
  Y.applyUpdate(document, seedDocument('plain', '', body));
  new Editor({
    element: window.document.body.appendChild(window.document.createElement('div')),
    extensions: [
      ...Object.values(documentNodes),
      ...Object.values(documentMarks),
      Collaboration.configure({ fragment: document.getXmlFragment('body') }),
    ],
    editorProps: { attributes: { class: 'writing' } },
  });
};
