export * from './contents';
export { isOfSiteItself, SITE_INDEX, SITE_SCRIPT, SITE_SHEET, SITE_WORDS } from './frame';
export * from './page';
export * from './sheet';
export * from './types';
export * from './words';
