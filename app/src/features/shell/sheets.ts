import { overviewSheet, toolSheet, writingSheet } from '../../editor';
import { deskSheet } from '../desk/sheet';
import { findSheet } from '../find/sheet';
import { journalSheet } from '../journal/sheet';
import { keysSheet } from '../keys/sheet';
import { marginSheet } from '../margin/sheet';
import { previewSheet } from '../preview/sheet';
import { outlineSheet } from '../outline/sheet';
import { pageSheet } from '../page/sheet';
import { trailSheet } from '../trail/sheet';
import { shellSheet } from './sheet';
import { kitSheet } from '../../kit/sheet';
import { inRem } from '../../theme/rem';
import { themeSheet } from '../../theme/tokens';
import { seenSheet } from './seenSheet';

const focusSheet = `
:focus-visible { outline: 2px solid var(--lapis); outline-offset: 2px; }
.writing:focus-visible, .title-field:focus-visible, main:focus-visible, [role=dialog]:focus-visible, .key-strip:focus-visible { outline: none; }
`;

/** Lays all style sheets out once, before anything is drawn. */
export function layOutSheets(): void {
  const element = document.createElement('style');
  element.textContent = inRem(
    [
      themeSheet(),
      kitSheet,
      shellSheet,
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
      seenSheet,
    ].join('\n'),
  );
  document.head.append(element);
}
