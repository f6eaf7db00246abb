import { face, measure } from '../../theme/tokens';

/** How notes in and out look. */
export const worksSheet = `
.works { padding: 18px 20px 40px; max-width: 940px; }
.works-title { font: 700 30px/36px ${face.writing}; margin: 0; }
.works-part { padding-top: 26px; min-width: 0; }
.works-part-name { font: 700 19px/24px ${face.capitals}; text-transform: lowercase; color: var(--soft); border-bottom: 1px solid var(--rule); margin: 0 0 10px; }
.works-ways { display: grid; grid-template-columns: minmax(0, 1fr); column-gap: 40px; align-items: start; }
.works-says { color: var(--soft); padding: 8px 0 12px; }
.works-buttons { display: flex; flex-direction: row; flex-wrap: wrap; gap: 10px; }
.works-fold { min-height: 44px; padding: 0; font: 500 16px/22px ${face.interface}; color: var(--ochre); }
.works-remark { font: 15px/20px ${face.interface}; color: var(--soft); overflow-wrap: anywhere; padding-bottom: 2px; }
.work { padding: 12px 0 6px; border-bottom: 1px solid var(--rule); gap: 2px; }
.work-problem { color: var(--vermilion); }
.work-name { font: 500 18px/24px ${face.writing}; overflow-wrap: anywhere; }
@media (min-width: ${measure.wide}px) {
  .works-ways { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); }
}
`;
