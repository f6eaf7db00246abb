/**
 * What the Tray is made of, as one part that no first screen waits for: whoever shows some of it asks for this, since
 * what two such parts share would be fetched with the first screen.
 */
export { DeskTray } from './DeskTray';
export { JotSheet } from './JotSheet';
export { JottingRow } from './JottingRow';
export { JottingSheet } from './JottingSheets';
export { TrayScreen } from './TrayScreen';
export { Waiting } from './Waiting';
