/**
 * For those who see otherwise: nothing moves where that is not wanted, and what is told by a ground of another colour is
 * told by a line where the system chooses all colours.
 */
export const seenSheet = `
@media (prefers-reduced-motion: reduce) {
  *, *::before, *::after { animation-duration: .001ms !important; animation-iteration-count: 1 !important; transition-duration: .001ms !important; scroll-behavior: auto !important; }
  .landed > .words, .landed.words, hr.landed, pre.landed, .tableWrapper.landed, .landed > .overview { animation: none !important; background: var(--washOchre); }
}
@media (forced-colors: active) {
  :focus-visible { outline-color: Highlight; }
  .choice.active, .finding.active, [aria-selected='true'], .chosen, .ProseMirror-selectednode, .landed, [role=radio][aria-checked='true'], .search-match.active { outline: 2px solid Highlight; outline-offset: -2px; }
  .search-match, .marked, mark { outline: 1px dotted CanvasText; }
  [aria-pressed='true'], [aria-current='page'], [aria-current='date'] { border-bottom: 2px solid Highlight; }
  .spine, .pile-spine, .swatch, [role=checkbox]:not(.box), .contents-box, .drawer-leaf, [role=dialog] { border: 1px solid CanvasText; }
  .box[aria-checked='true']::before, [role=checkbox][aria-checked='true']:not(.box), .contents-box[data-chosen='true'] { forced-color-adjust: none; background: Highlight; border-color: Highlight; }
  .drop-mark, .block-drop, .grab { forced-color-adjust: none; background: Highlight; }
  .block-handle, .contents-leader, .writing [data-kind='quote'] { border-color: CanvasText; }
}
`;
