import { face } from '../../theme/tokens';

/** How what was found looks. */
export const findSheet = `
.findings { list-style: none; margin: 8px 0 0; padding: 0; }
.finding { display: block; border-inline-start: 3px solid; padding: 7px 12px; margin: 6px 0; color: var(--ink); text-decoration: none; min-height: 44px; box-sizing: border-box; overflow-wrap: anywhere; }
.finding.active, .finding:hover { background: var(--ground); }
.finding-title { display: block; font: 700 20px/25px ${face.writing}; text-align: left; }
.finding-trail { display: block; font: 15px/19px ${face.interface}; color: var(--soft); }
.finding-line { display: block; font: 400 17.5px/24px ${face.writing}; padding-top: 2px; }
`;
