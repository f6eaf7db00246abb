import { face } from '../../theme/tokens';

/** How the strip of keys looks. */
export const keysSheet = `
.key-strip { position: fixed; inset-inline: 0; bottom: 0; z-index: 45; display: flex; flex-wrap: wrap; gap: 0 4px; padding: 6px 12px 8px; background: var(--shelf); border-top: 2px solid var(--vermilion); max-height: 50vh; overflow-y: auto; outline: none; }
.key-strip button { display: inline-flex; align-items: baseline; gap: 7px; min-height: 44px; padding: 10px 10px; background: none; border: 0; color: var(--ink); font: 16px/22px ${face.interface}; cursor: pointer; }
.key-strip button:hover { color: var(--lapis); }
.key-letter { font: 700 17px/22px ${face.writing}; color: var(--vermilion); min-width: 10px; text-align: center; }
`;
