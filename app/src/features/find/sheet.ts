import { face } from '../../theme/tokens';

/** How what was found looks. */
export const findSheet = `
.find { padding: 14px 20px 24px; }
.find.wide { display: grid; grid-template-columns: minmax(0, 46fr) minmax(0, 54fr); column-gap: 40px; padding: 20px 40px 0; height: 100%; box-sizing: border-box; }
.find.wide .find-list { overflow-y: auto; min-height: 0; padding: 6px 6px 40px; margin: -6px; }
.find-sentence { display: flex; flex-wrap: wrap; align-items: baseline; column-gap: 10px; font: 17.5px/26px ${face.writing}; color: var(--ink); padding-top: 4px; }
.find-control { font: inherit; color: var(--verdigris); text-decoration: underline; text-underline-offset: 3px; text-decoration-thickness: 1px; text-align: start; overflow-wrap: anywhere; }
.find-control.chosen { color: var(--ink); font-weight: 700; text-decoration-color: var(--vermilion); text-decoration-thickness: 2px; }
.find-taken { font: italic 16px/22px ${face.writing}; color: var(--soft); padding-top: 4px; overflow-wrap: anywhere; } .find-remarked { font-style: normal; color: var(--ochre); text-decoration: underline wavy 1px; text-underline-offset: 3px; }
.find-completions { display: flex; flex-wrap: wrap; column-gap: 14px; padding-top: 4px; } .find-completion { min-height: 36px; padding: 6px 0; font: 500 16px/22px ${face.interface}; color: var(--lapis); overflow-wrap: anywhere; } .find-completion.active { text-decoration: underline; text-underline-offset: 4px; background: var(--ground); box-shadow: 0 0 0 4px var(--ground); } .find-count { color: var(--soft); font-weight: 400; margin-inline-start: 5px; }
.find-further { display: flex; flex-wrap: wrap; align-items: center; column-gap: 18px; } .find-save { display: inline-flex; align-items: center; text-decoration: none; font: 500 16px/22px ${face.interface}; color: var(--lapis); min-height: 32px; padding: 4px 0; text-align: start; overflow-wrap: anywhere; } .find-line { font: 17px/24px ${face.writing}; color: var(--soft); padding: 4px 0 10px; overflow-wrap: anywhere; } .find-deeds { display: flex; flex-wrap: wrap; align-items: center; column-gap: 16px; row-gap: 6px; padding-top: 12px; }
.saved-search { display: flex; align-items: stretch; border-bottom: 1px solid var(--rule); } .saved-search-name { flex: 1; min-width: 0; min-height: 44px; padding: 7px 0; text-align: start; font: 700 19px/25px ${face.writing}; color: var(--ink); overflow-wrap: anywhere; } .saved-search-name:hover { background: var(--ground); } .saved-search-more { min-width: 44px; min-height: 44px; color: var(--soft); font: 20px/24px ${face.interface}; }
.find-here { font: 16px/22px ${face.interface}; color: var(--ochre); padding-top: 6px; }
.find-lately { display: flex; flex-wrap: wrap; align-items: baseline; column-gap: 16px; row-gap: 2px; padding-top: 4px; font: 17.5px/26px ${face.writing}; }
.find-head { font: 700 16px/20px ${face.capitals}; letter-spacing: .03em; color: var(--soft); padding-top: 16px; }
.findings { margin: 10px 0 0; }
.finding { border-inline-start: 3px solid; margin: 0 0 12px; }
.finding-page, .finding-line { display: block; padding: 4px 12px; color: var(--ink); text-decoration: none; min-height: 44px; box-sizing: border-box; overflow-wrap: anywhere; scroll-margin-block: 60px; }
.finding-line { font: 400 17.5px/24px ${face.writing}; padding-block: 5px; border-top: 1px solid var(--rule); margin-inline-start: 12px; padding-inline-start: 0; min-height: 34px; }
.finding-page.active, .finding-page:hover, .finding-line.active, .finding-line:hover { background: var(--ground); }
.finding-line.active, .finding-line:hover { box-shadow: -12px 0 var(--ground); } [dir=rtl] .finding-line.active { box-shadow: 12px 0 var(--ground); }
.finding-title { display: block; font: 700 20px/25px ${face.writing}; text-align: start; }
.finding-trail, .found-where { display: block; font: 15px/19px ${face.interface}; color: var(--soft); }
.find-more { min-height: 44px; padding: 0 12px; font: 500 16px/22px ${face.interface}; color: var(--lapis); }
.found-preview { overflow-y: auto; min-height: 0; border-top: 3px solid; background: var(--leaf); padding: 14px 24px 60px; margin: 0 0 20px; } .found-preview:focus-visible { outline: 2px solid var(--lapis); outline-offset: -2px; }
.found-title { font: 700 26px/31px ${face.writing}; padding-bottom: 2px; overflow-wrap: anywhere; } .found-body { padding-top: 10px; font-size: 17.5px; line-height: 25px; } .found-body a { pointer-events: none; } .found-empty { font: italic 17px/24px ${face.writing}; color: var(--soft); padding-top: 12px; }
.found-line { background: linear-gradient(var(--washOchre), var(--washOchre)); }
@media (hover: none) { .find-completion { min-height: 44px; min-width: 44px; } .find-save { min-height: 44px; } .find-control { min-height: 44px; min-width: 44px; } .finding-line { min-height: 44px; padding-block: 10px; } }
`;
