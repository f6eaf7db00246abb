import { paperColours } from '../../theme/tokens';

/** What is printed is the page alone, as long as it is, on paper: nothing that stands around it. */
export const printSheet = (): string => `
@media print {
  :root:root:root { ${paperColours()} color-scheme: light; }
  html, body, #root, #root > *, #root main, #main { display: block !important; position: static !important; height: auto !important; min-height: 0 !important; max-height: none !important; overflow: visible !important; }
  #root * { overflow: visible !important; }
  [role=navigation], [role=complementary], [role=status], [role=toolbar], [role=dialog], .skip-link, #page-menu, .margin-count, .page-tasks, .block-handle, .field-change, .fields-empty { display: none !important; }
  .page, .page-column, .page-text { display: block !important; max-width: none !important; width: auto !important; padding: 0 !important; }
  .overview[role=navigation] { display: block !important; }
}
`;
