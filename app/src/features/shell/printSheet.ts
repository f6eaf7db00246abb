/** What is printed is the page alone, as long as it is: nothing that stands around it. */
export const printSheet = `
@media print {
  html, body, #root, #root > *, #root main, #main { display: block !important; position: static !important; height: auto !important; min-height: 0 !important; max-height: none !important; overflow: visible !important; }
  #root * { overflow: visible !important; }
  [role=navigation], [role=complementary], [role=status], [role=toolbar], [role=dialog], .skip-link, .margin-counts, .page-tasks, .block-handle { display: none !important; }
  .page, .page-column, .page-text { display: block !important; max-width: none !important; width: auto !important; padding: 0 !important; }
  .overview[role=navigation] { display: block !important; }
}
`;
