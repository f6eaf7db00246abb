import { face, measure } from '../../theme/tokens';

/** How a page is laid out around its text. */
export const pageSheet = `
.page { display: flex; justify-content: flex-start; align-items: flex-start; }
.page[data-wide='true'] { padding-top: 8px; }
.page-column { flex: 1; min-width: 0; box-sizing: border-box; }
.page[data-wide='true'] .page-column { padding: 0 34px 0 40px; max-width: ${measure.line + 110}px; }
.page[data-beside] .page-column { padding: 0 18px 0 24px; }
.page-text { padding: 0 20px; position: relative; }
.page[data-wide='true'] .page-text { padding: 6px 0 0; }
.page-body { position: relative; padding-inline-end: 30px; padding-bottom: var(--finding, 0); }
.page-body .writing { max-width: ${measure.line}px; min-height: 40vh; padding-bottom: 30px; }
.page-meta { font: 16px/22px ${face.interface}; color: var(--soft); padding: 3px 0 14px; display: flex; flex-wrap: wrap; column-gap: 12px; align-items: baseline; }
.page-meta a { color: inherit; text-underline-offset: 3px; }
.page-saving { margin-inline-start: auto; }
.page-state { color: var(--ochre); }
.kept-copy { border-inline-start: 4px solid var(--ochre); background: var(--parchment); padding: 10px 14px; margin: 0 0 16px; font: 16px/21px ${face.interface}; }
.kept-copy-text { font: 18px/25px ${face.writing}; white-space: pre-wrap; margin: 8px 0; }
.kept-copy-said { margin: 0; color: var(--soft); }
.kept-copy button { font: 500 16px ${face.interface}; color: var(--lapis); background: none; border: 0; min-height: 44px; padding: 0 14px 0 0; cursor: pointer; }
`;
