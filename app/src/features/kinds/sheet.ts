import { face } from '../../theme/tokens';

/** How a page's kinds and fields stand beneath its title, and how kinds are told of. */
export const kindsSheet = `
.fields { margin: 0 0 18px; padding: 8px 0 10px; border-block: 1px solid var(--rule); max-width: 640px; }
.page-kinds { font: 16px/22px ${face.interface}; padding-bottom: 4px; }
.page-kind { font: 500 17px/22px ${face.capitals}; letter-spacing: .04em; text-transform: lowercase; font-feature-settings: 'smcp'; text-decoration: none; margin-inline-end: 8px; }
.page-kind:hover { text-decoration: underline; }
.field { display: grid; grid-template-columns: 112px minmax(0, 1fr); column-gap: 14px; align-items: baseline; min-height: 30px; }
.field-name { font: 15px/28px ${face.interface}; color: var(--soft); overflow-wrap: anywhere; }
.field-words { font: 18px/28px ${face.writing}; overflow-wrap: anywhere; }
.field-text { display: block; outline: none; min-height: 28px; border-bottom: 1px solid transparent; white-space: pre-wrap; } .field-text:focus { border-bottom-color: var(--lapis); }
.field-tap { display: inline; font: inherit; color: inherit; text-decoration: underline dotted var(--leader); text-underline-offset: 5px; } .field-name.field-tap { justify-self: start; font: 15px/28px ${face.interface}; color: var(--soft); text-align: start; } .field-words a { color: var(--verdigris); text-decoration: underline; text-decoration-thickness: 1px; text-underline-offset: 3px; } .field-words .link[data-state='unwritten'] { color: var(--ochre); } .field-words .link[data-state='binned'], .field-words .link[data-state='gone'] { color: var(--soft); text-decoration-style: dashed; }
.field-choice[data-pigment] { text-decoration-style: solid; text-decoration-thickness: 3px; } ${['ochre', 'verdigris', 'lapis', 'vermilion', 'plum'].map((pigment) => `.field-choice[data-pigment='${pigment}'] { text-decoration-color: var(--${pigment}); }`).join(' ')}
.field-change { display: inline; font: 15px/22px ${face.interface}; color: var(--lapis); margin-inline-start: 10px; }
.field-add { font: 15px/22px ${face.interface}; color: var(--soft); text-decoration: underline dotted var(--leader); text-underline-offset: 5px; }
.fields-empty { display: flex; flex-wrap: wrap; column-gap: 16px; row-gap: 4px; padding-top: 4px; }
.field-input { font: 18px/28px ${face.writing}; color: var(--ink); width: 100%; border-bottom: 1px solid var(--lapis); outline: none; padding: 0; }
.field-hint, .field-kept { font: 15px/20px ${face.interface}; color: var(--soft); padding-bottom: 4px; } .field-hint[role=alert] { color: var(--vermilion); }
.field-chosen-line { display: flex; align-items: center; gap: 12px; min-height: 44px; justify-content: space-between; font: 18px/24px ${face.writing}; }
.field-pigment { display: flex; align-items: center; justify-content: center; width: 44px; height: 44px; flex: none; } .field-swatch { width: 20px; height: 20px; border-radius: 3px; border: 1px solid var(--leader); }
.field-loss { margin-top: 12px; padding: 8px 12px; background: var(--parchment); border-inline-start: 3px solid var(--ochre); font: 16px/22px ${face.interface}; } .field-loss-line { font-family: ${face.writing}; }
.field-deleting { border-top: 1px solid var(--rule); margin-top: 18px; padding-top: 8px; }
@media (hover: none) { .field-tap, .field-change, .field-add, .page-kind, .field-name.field-tap { display: inline-flex; align-items: center; min-height: 44px; } .field { grid-template-columns: 96px minmax(0, 1fr); } .field-words { line-height: 30px; padding-block: 7px; } .field-words .field-tap { min-height: 30px; padding-block: 7px; margin-block: -7px; } .fields { padding-block: 0; } .page-kinds, .fields-empty { padding-block: 0; } }
.kinds { padding: 18px 20px 0; max-width: 680px; } .kinds-title { font: 700 30px/36px ${face.writing}; overflow-wrap: anywhere; } .kinds-naming { font: 700 30px/36px ${face.writing}; width: 100%; color: var(--ink); }
.kinds-back { font: 16px/22px ${face.interface}; color: var(--soft); display: inline-block; padding: 6px 0; } .kinds-says { font: 16px/22px ${face.interface}; color: var(--soft); padding: 3px 0; } .kinds-fields { font: 15px/20px ${face.interface}; color: var(--soft); }
.kinds-line { border-inline-start: 3px solid var(--slate); padding: 2px 0 2px 12px; margin-top: 16px; } .kinds-name { font: 700 20px/28px ${face.writing}; color: var(--ink); text-decoration: none; } .kinds-name:hover { text-decoration: underline; } .kinds-count { font: 15px/20px ${face.interface}; color: var(--soft); margin-inline-start: 12px; }
.kinds-deeds { display: flex; flex-wrap: wrap; column-gap: 22px; }
@media (min-width: 1080px) { .kinds:has(.kinds-columns) { max-width: 1040px; } .kinds-columns { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); column-gap: 56px; } } .kinds-head { font: 500 18px/24px ${face.capitals}; letter-spacing: .04em; text-transform: lowercase; font-feature-settings: 'smcp'; color: var(--soft); border-bottom: 1px solid var(--rule); margin-top: 22px; }
.kinds-field { border-bottom: 1px solid var(--rule); } .kinds-field-tap { display: flex; flex-wrap: wrap; align-items: baseline; column-gap: 14px; min-height: 44px; padding: 8px 0; width: 100%; text-align: start; } .kinds-field-name { font: 18px/24px ${face.writing}; flex: 1 1 140px; } .kinds-field-said { font: 15px/20px ${face.interface}; color: var(--soft); }
.kinds-settings { margin-top: 22px; } .kinds-setting { display: flex; align-items: center; flex-wrap: wrap; }
.kind-page { border-inline-start: 3px solid var(--slate); padding: 1px 0 1px 12px; margin-top: 10px; } .kind-page-title { font: 18px/26px ${face.writing}; color: var(--ink); text-decoration: none; display: block; } .kind-page-title:hover { text-decoration: underline; } @media (hover: none) { .kinds-name, .kinds-back { display: inline-flex; align-items: center; min-height: 44px; min-width: 44px; } .kind-page-title { line-height: 44px; } } .kind-page-said { font: 15px/20px ${face.interface}; color: var(--soft); }
.kind-home { margin-top: 26px; } .kinds-offer { margin-top: 26px; max-width: 680px; }
.meeting-place { font: 16px/22px ${face.interface}; color: var(--soft); padding: 10px 0; } .meeting-last { font: 16px/22px ${face.interface}; background: var(--parchment); border-inline-start: 3px solid var(--ochre); padding: 8px 12px; margin-bottom: 14px; } .meeting-last a { color: var(--verdigris); } .meeting-open { display: flex; gap: 10px; align-items: center; min-height: 32px; } @media (hover: none) { .meeting-open { min-height: 44px; } }
.likely { margin-top: 12px; padding: 4px 12px 8px; background: var(--parchment); border-inline-start: 3px solid var(--ochre); } .likely-head { display: flex; align-items: center; justify-content: space-between; flex-wrap: wrap; width: 100%; min-height: 44px; text-align: start; } .likely-words { font: 18px/24px ${face.writing}; } .likely-page { display: flex; align-items: baseline; gap: 10px; width: 100%; min-height: 44px; padding: 8px 0; text-align: start; font: 18px/26px ${face.writing}; } .likely-box { flex: none; width: 18px; color: var(--verdigris); font-weight: 700; border-bottom: 1px solid var(--leader); }
`;
