import { face } from '../../theme/tokens';

/** How all tags stand in a list, and a tag on a page of its own. */
export const tagsSheet = `
.tags, .tag-page { padding: 14px 20px 60px; } .tags { max-width: 720px; }
@media (min-width: 1080px) { .tags, .tag-page { padding-inline: 56px; } .tags { max-width: 1040px; } .tags-all > * { columns: 2; column-gap: 56px; } .tag-page { display: grid; grid-template-columns: minmax(0, 5fr) minmax(0, 8fr); column-gap: 56px; max-width: 1180px; align-items: start; } .tag-told { padding-top: 22px; } .tag-said { position: sticky; top: 14px; } }
.tags-title { font: 700 30px/36px ${face.writing}; } .tags-says { font: 17px/24px ${face.writing}; color: var(--soft); padding: 4px 0 10px; }
.tags-head { display: block; font: 700 16px/20px ${face.capitals}; letter-spacing: .03em; text-transform: lowercase; color: var(--soft); padding-top: 16px; margin: 0; }
.tags-line { display: flex; break-inside: avoid; align-items: baseline; gap: 12px; border-bottom: 1px solid var(--rule); }
.tags-name { flex: 1; min-width: 0; min-height: 44px; box-sizing: border-box; padding: 10px 0; font: 500 19px/24px ${face.capitals}; font-feature-settings: 'c2sc', 'smcp'; text-transform: lowercase; letter-spacing: .05em; color: var(--ochre); text-decoration: none; overflow-wrap: anywhere; } .tags-name:hover, .tags-small:hover, .tag-chip:hover { text-decoration: underline; }
.tags-count { font: 15px/20px ${face.interface}; letter-spacing: 0; color: var(--soft); font-feature-settings: normal; text-transform: none; }
.tags-tidy { border-inline-start: 3px solid var(--vermilion); padding: 0 0 4px 16px; margin: 8px 0 18px; } .tags-tidy .tags-head { padding-top: 2px; }
.tags-tidied { display: flex; align-items: center; justify-content: space-between; gap: 16px; } .tags-pair { font: 17px/24px ${face.writing}; min-width: 0; overflow-wrap: anywhere; }
.tags-small { font: 500 17px/24px ${face.capitals}; font-feature-settings: 'c2sc', 'smcp'; text-transform: lowercase; letter-spacing: .05em; color: var(--ochre); text-decoration: none; }
.tags-deeds { display: flex; flex-wrap: wrap; align-items: center; column-gap: 12px; } .tags-deeds .pick-one { width: auto; border: 0; column-gap: 10px; font-size: 16px; }
.tag-trail { display: flex; flex-wrap: wrap; align-items: baseline; column-gap: 8px; min-height: 24px; } .tags-back { font: 16px/24px ${face.interface}; color: var(--soft); text-decoration: none; overflow-wrap: anywhere; } .tags-back + .tags-back::before { content: '/ '; } .tags-back:hover { text-decoration: underline; }
.tag-title { margin: 0; color: var(--ochre); } .tag-name { text-align: start; color: inherit; overflow-wrap: anywhere; } .tag-name, .tag-naming { font: 500 40px/46px ${face.capitals}; font-feature-settings: 'c2sc', 'smcp'; text-transform: lowercase; letter-spacing: .05em; } .tag-naming { width: 100%; box-sizing: border-box; padding: 0; border: 0; border-bottom: 2px solid var(--vermilion); background: none; color: var(--ink); text-transform: none; font-feature-settings: normal; }
.tag-description { max-width: 640px; padding: 4px 0 8px; } .tag-description.waiting { min-height: 40px; } .page-body.tag-description .writing { min-height: 0; padding-bottom: 0; }
.tag-beneath { display: flex; flex-wrap: wrap; align-items: baseline; column-gap: 16px; } .tag-beneath .tags-head { padding: 0; min-width: 92px; }
.tag-chip { min-height: 32px; padding: 4px 0; font: 500 17px/24px ${face.capitals}; font-feature-settings: 'c2sc', 'smcp'; text-transform: lowercase; letter-spacing: .05em; color: var(--ochre); text-decoration: none; overflow-wrap: anywhere; } .tag-chip.chosen { font-weight: 700; box-shadow: inset 0 -2px var(--vermilion); color: var(--ink); }
.tag-fold { min-height: 44px; font: 500 16px/22px ${face.interface}; color: var(--lapis); text-align: start; } .tag-fold::after { content: ' ▾' / ''; color: var(--soft); } .tag-fold[aria-expanded=true]::after { content: ' ▴' / ''; }
.tag-tools { padding: 4px 0 8px; } .tag-lines .gloss { margin: 0 0 10px; font: 18px/25px ${face.writing}; }
.tag-lines-head { font: 700 19px/24px ${face.writing}; margin: 0; padding: 14px 0 4px; overflow-wrap: anywhere; } .tag-lines-head a { color: var(--ink); text-decoration: none; } .tag-lines-head a:hover { text-decoration: underline; } .tag-lines-head .gloss-detail { font: 400 15px/20px ${face.interface}; color: var(--soft); }
@media (hover: none) { .tags-back, .tag-chip, .tags-small { min-height: 44px; min-width: 44px; display: inline-flex; align-items: center; column-gap: 6px; } .tag-lines-head a { display: inline-flex; align-items: center; min-height: 44px; } .tag-tools .margin-choice { min-height: 44px; } }
@media print { .tags-deeds, .tag-tools, .tag-beneath { display: none; } }
`;
