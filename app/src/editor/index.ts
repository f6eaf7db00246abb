/**
 * All that the app knows of the editor: text that is written (a page, its title, one line elsewhere), text that stands
 * still, and what a sheet or a key puts into the text that has the cursor.
 */
export { PageEditor, type PageEditorProps } from './PageEditor';
export type { WritingPlace } from './writingPlace';
export { LiveDrawing, type FoundListProps, type LogProps } from './liveDrawing';
export { SharedLine } from './SharedLine';
export { TitleField } from './TitleField';
export { JotEditor, type JotEditorHandle } from './JotEditor';
export { LineEditor, type LineEditorProps } from './LineEditor';
export type { LineActs, PageLines } from './lineActs';

export { BlockText, BodyView } from './BodyView';
export { InlineView, TagText } from './InlineView';

export { chosenLines, type ChosenLines } from './chosen';
export { awaitDay } from './calendarFiles';
export { attachmentBlock } from './attach';
export { putFromSheet } from './awaiting';
export { editedLink } from './linkViews';
export { loadFormats } from './formats';
export { taskWords } from './kinds/todo';
