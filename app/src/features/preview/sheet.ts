import { face, measure } from '../../theme/tokens';

/** How previews of links look. */
export const previewSheet = `
.preview { position: fixed; z-index: 38; width: min(360px, calc(100vw - 16px)); max-height: min(340px, 60vh); display: flex; flex-direction: column; background: var(--leaf); border: 1px solid var(--rule); border-top: 3px solid var(--rule); border-radius: 0 0 4px 4px; box-shadow: 0 6px 24px var(--shadow); }
.preview-head { padding: 9px 14px 7px; display: flex; flex-direction: column; gap: 1px; font: 14px/18px ${face.interface}; color: var(--soft); }
.preview-head .strong { font: 700 18px/22px ${face.writing}; color: var(--ink); overflow-wrap: anywhere; }
.preview-body { overflow: hidden; padding: 0 14px 4px; border-top: 1px solid var(--rule); mask-image: linear-gradient(#000 78%, transparent); flex: 1; min-height: 24px; }
.preview-body .writing { font-size: 16px; line-height: 22px; padding: 0; }
.preview-body .writing .block, .preview-body .writing .words { font-size: 16px; line-height: 22px; margin-block: 2px; }
.preview-empty { margin: 0; padding: 6px 14px 2px; font: italic 16px/22px ${face.writing}; color: var(--soft); }
.preview-acts { display: flex; flex-wrap: wrap; gap: 0 2px; padding: 2px 6px 4px; border-top: 1px solid var(--rule); }
.preview-acts button { min-height: 36px; padding: 4px 8px; border: 0; background: none; color: var(--lapis); font: 500 15px/20px ${face.interface}; cursor: pointer; }
.preview-acts button:hover { text-decoration: underline; }
.preview-words { margin: 4px 12px 10px; padding: 6px 8px; border: 1px solid var(--soft); border-radius: 3px; background: var(--ground); color: var(--ink); font: 17px/22px ${face.writing}; }
@media (max-width: ${measure.wide - 1}px) { .preview-acts button { min-height: 44px; } .preview-acts .wide-only { display: none; } }
.to-link { background: color-mix(in srgb, var(--verdigris) 22%, transparent); border-bottom: 2px solid var(--verdigris); }
.date-chips { position: fixed; z-index: 20; display: flex; flex-wrap: wrap; gap: 6px; max-width: calc(100vw - 16px); }
.date-chip { padding: 4px 10px; min-height: 32px; border: 1px solid var(--rule); border-radius: 3px; background: var(--leaf); box-shadow: 0 3px 12px var(--shadow); color: var(--verdigris); font: 500 15px/20px ${face.interface}; cursor: pointer; }
.date-chip kbd { margin-inline-start: 8px; color: var(--soft); font: 13px ${face.interface}; border: 1px solid var(--rule); border-radius: 2px; padding: 0 4px; }
@media (max-width: ${measure.wide - 1}px) { .date-chip { min-height: 44px; } .date-chip kbd { display: none; } }
.picker-filter { box-sizing: border-box; width: calc(100% - 16px); margin: 6px 8px; padding: 7px 9px; border: 1px solid var(--soft); border-radius: 3px; background: var(--ground); color: var(--ink); font: 17px/22px ${face.writing}; }
.picker-hint { padding: 10px 14px; }
`;
