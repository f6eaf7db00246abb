import { overviewSheet, toolSheet, writingSheet } from '../../editor/sheets';
import { deskSheet } from '../desk/sheet';
import { findSheet } from '../find/sheet';
import { journalSheet } from '../journal/sheet';
import { keysSheet } from '../keys/sheet';
import { kindsSheet } from '../kinds/sheet';
import { logSheet } from '../margin/log/sheet';
import { marginSheet } from '../margin/sheet';
import { previewSheet } from '../preview/sheet';
import { outlineSheet } from '../outline/sheet';
import { pageSheet } from '../page/sheet';
import { tagsSheet } from '../tags/sheet';
import { tasksSheet } from '../tasks/sheet';
import { traySheet } from '../tray/sheet';
import { worksSheet } from '../works/sheet';
import { replaceSheet } from '../replace/sheet';
import { reviewSheet } from '../review/sheet';
import { trailSheet } from '../trail/sheet';
import { shellSheet } from './sheet';
import { kitSheet } from '../../kit/kitSheet';
import { inRem } from '../../theme/rem';
import { themeSheet } from '../../theme/tokens';
import { printSheet } from './printSheet';
import { seenSheet } from './seenSheet';

/** The room that everything is drawn in. */
const roomSheet = `
html, body, #root { height: 100%; }
body { margin: 0; overflow: hidden; -webkit-font-smoothing: antialiased; text-rendering: optimizeLegibility; }
#root { display: flex; }
`;

const focusSheet = `
:focus-visible { outline: 2px solid var(--lapis); outline-offset: 2px; }
.writing:focus-visible, .title-field:focus-visible, main:focus-visible, [role=dialog]:focus-visible, .key-strip:focus-visible { outline: none; }
`;

/** Those of what no first screen shows, as another: asked for when some of it is shown (kit/lateSheet). */
export const lateSheets = (): string =>
  inRem([kindsSheet, tagsSheet, replaceSheet, reviewSheet, logSheet, worksSheet, printSheet()].join('\n'));

/** All other style sheets of the product, as one: laid out when it is built (tools/buildApp), so that no script waits for it. */
export const wholeSheet = (): string =>
  inRem(
    [
      roomSheet,
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
      tasksSheet,
      traySheet,
      keysSheet,
      focusSheet,
      seenSheet,
    ].join('\n'),
  );
