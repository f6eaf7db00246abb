import { face } from '../../theme/tokens';

/** How a thought is jotted down, and how jottings wait. */
export const traySheet = `
.jot-editor { border-bottom: 2px solid var(--lapis); }
.jot-writing { min-height: 60px; max-height: 46vh; overflow-y: auto; padding: 8px 2px 10px; outline: none; }
.jot-foot { display: flex; align-items: center; justify-content: space-between; flex-wrap: wrap; column-gap: 12px; padding-top: 10px; }
.jot-tools { display: flex; flex-wrap: wrap; column-gap: 14px; padding-inline-start: 10px; }
.jot-hint, .tray-hint { font: 15px/20px ${face.interface}; color: var(--soft); padding: 6px 0 4px; }
.tray-hint { padding-top: 18px; } @media (hover: hover) { .tray-hint { display: none; } } @media (hover: none) { .jot-hint[data-keys] { display: none; } }
.jotting { touch-action: pan-y; border-bottom: 1px solid var(--rule); padding: 10px 0 8px; overflow-wrap: anywhere; } .jotting[data-chosen] { background: var(--washLapis); }
.jotting-line { display: flex; align-items: flex-start; gap: 12px; } .jotting-words { flex: 1; min-width: 0; } .jotting-line .task-choose { margin-top: 7px; }
.jotting .writing { min-height: 0; padding: 0; }
.jotting-foot { display: flex; flex-wrap: wrap; align-items: baseline; justify-content: space-between; column-gap: 18px; padding-top: 2px; } .jotting-origin { flex: none; max-width: 100%; }
.jotting-deeds { display: flex; flex-wrap: wrap; column-gap: 16px; } @media (hover: none) { .jotting-deeds { column-gap: 10px; } .jotting-deeds .task-deed { min-height: 44px; } }
.jotting:focus-visible { outline-offset: 5px; } .brought .jotting { border-bottom: 0; border-inline-start: 3px solid var(--plum); padding: 0 0 0 10px; margin-top: 9px; } .brought .jotting .words, .desk .jotting .words { font: 16px/22px ${face.interface}; }
`;
