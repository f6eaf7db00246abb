import { deskSheet } from '../features/desk/sheet';
import { findSheet } from '../features/find/sheet';
import { journalSheet } from '../features/journal/sheet';
import { keysSheet } from '../features/keys/sheet';
import { marginSheet } from '../features/margin/sheet';
import { previewSheet } from '../features/preview/sheet';
import { outlineSheet } from '../features/outline/sheet';
import { overviewSheet } from '../features/overview/sheet';
import { pageSheet } from '../features/page/sheet';
import { trailSheet } from '../features/trail/sheet';
import { writingSheet } from '../editor/sheet';
import { toolSheet } from '../editor/toolSheet';
import { themeSheet } from './tokens';

const focusSheet = `
:focus-visible { outline: 2px solid var(--lapis); outline-offset: 2px; }
.writing:focus-visible, .title-field:focus-visible, main:focus-visible, [role=dialog]:focus-visible, .key-strip:focus-visible { outline: none; }
`;

/** Lays all style sheets out once, before anything is drawn. */
export function layOutSheets(): void {
  const element = document.createElement('style');
  element.textContent = [
    themeSheet(),
    writingSheet,
    toolSheet,
    pageSheet,
    marginSheet,
    previewSheet,
    journalSheet,
    findSheet,
    outlineSheet,
    trailSheet,
    overviewSheet,
    deskSheet,
    keysSheet,
    focusSheet,
  ].join('\n');
  document.head.append(element);
}
