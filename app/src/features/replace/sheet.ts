import { face } from '../../theme/tokens';

/** How lines look before and after they are replaced. */
export const replaceSheet = `
.replace { padding: 14px 20px 60px; }
@media (min-width: 1080px) { .replace { display: grid; grid-template-columns: minmax(0, 4fr) minmax(0, 8fr); column-gap: 56px; padding-inline: 56px; max-width: 1180px; align-items: start; } .replace-asked { position: sticky; top: 14px; } .replace-shown { padding-top: 20px; } }
.replace-asked .tags-title { padding-bottom: 8px; } .replace-how { display: flex; flex-wrap: wrap; column-gap: 18px; padding: 4px 0; } .replace-how .margin-choice { min-height: 44px; } .replace-says { font: 15px/20px ${face.interface}; color: var(--soft); padding-top: 6px; }
.replace-page { border-inline-start: 3px solid; padding-inline-start: 14px; margin-top: 18px; }
.replace-head { display: flex; align-items: baseline; justify-content: space-between; flex-wrap: wrap; column-gap: 16px; } .replace-title { font: 700 19px/24px ${face.writing}; margin: 0; min-width: 0; overflow-wrap: anywhere; } .replace-title a { color: var(--ink); text-decoration: none; } .replace-title a:hover { text-decoration: underline; } .replace-title .finding-trail { font-weight: 400; }
.replace-leave { min-height: 36px; font: 500 15px/20px ${face.interface}; color: var(--lapis); }
.replace-line { display: flex; gap: 12px; width: 100%; min-height: 44px; padding: 8px 0; text-align: start; border-top: 1px solid var(--rule); } .replace-line:hover { background: var(--leaf); }
.replace-box { flex: none; width: 18px; height: 18px; margin-top: 4px; border: 1.5px solid var(--verdigris); border-radius: 2px; font: 700 15px/17px ${face.interface}; text-align: center; color: var(--verdigris); } .left .replace-box { border-color: var(--soft); }
.replace-words { min-width: 0; font: 18px/25px ${face.writing}; overflow-wrap: anywhere; } .replace-before { color: var(--soft); } .replace-before mark, .replace-before .marked { background: var(--washVermilion); text-decoration: line-through; } .replace-after mark, .replace-after .marked { background: var(--washVerdigris); } .left .replace-after { display: none; }
@media (hover: none) { .replace-leave { min-height: 44px; } .replace-title a { display: inline-flex; align-items: center; min-height: 44px; } }
`;
