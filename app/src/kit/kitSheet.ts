import { face } from '../theme/tokens';

/**
 * What React Native Web lays on its parts is meant for apps that are styled by objects alone. Parts with a look start
 * from what the web starts from, so that the sheets say all there is to say.
 */
export const kitSheet = `
.kit-box { display: block; flex-direction: row; align-items: normal; align-content: normal; position: static; z-index: auto; box-sizing: content-box; min-width: auto; min-height: auto; flex-shrink: 1; }
.kit-words { position: static; box-sizing: content-box; font: inherit; color: inherit; text-align: inherit; white-space: inherit; }
.kit-way { text-decoration: underline; }
.kit-line { display: block; }
.kit-tap { display: inline-block; box-sizing: border-box; text-align: center; }
.kit-fold { text-align: start; } .kit-fold::before { content: '▸' / ''; margin-inline-end: 6px; } .kit-fold[aria-expanded=true]::before { content: '▾' / ''; }
.pick-one { display: flex; flex-wrap: wrap; justify-content: space-between; align-items: baseline; gap: 2px 14px; width: 100%; min-height: 44px; padding: 9px 0; border-bottom: 1px solid var(--rule); font: 17px/24px ${face.interface}; color: var(--ink); text-align: start; }
.pick-one-value { color: var(--lapis); font-weight: 500; } .pick-one-value::after { content: '▾' / ''; margin-inline-start: 8px; color: var(--soft); }
.pick-one-option { display: block; width: 100%; min-height: 44px; padding: 10px 12px; border-inline-start: 3px solid transparent; font: 17px/24px ${face.interface}; color: var(--ink); text-align: start; }
.pick-one-option[aria-checked=true] { border-inline-start-color: var(--vermilion); font-weight: 700; } .pick-one-option:hover { background: var(--ground); }
.said { position: absolute; width: 1px; height: 1px; margin: -1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
.grab { width: 44px; height: 4px; border-radius: 2px; background: var(--leader); margin: 8px auto 0; }
.group { border-top: 1px solid var(--rule); padding-top: 6px; margin-top: 6px; }
.group-label { color: var(--soft); font: 16px/22px ${face.interface}; }
.group-row { display: flex; flex-wrap: wrap; column-gap: 14px; }
.picked { min-height: 44px; padding: 0 2px; font: 500 16px/22px ${face.interface}; color: var(--lapis); } .picked.on { color: var(--ink); font-weight: 700; box-shadow: inset 0 -2px var(--vermilion); }
.in-words { width: 100%; } .in-words > * { margin-inline: -8px; } .in-words-read { padding: 0 10px; min-height: 20px; color: var(--soft); font: 15px/20px ${face.interface}; }
.choices { padding-top: 8px; margin: 0 -14px; }
.strong { font-weight: 700; } .small { font-size: smaller; }
`;
