export * from './jotting';
export * from './standing';
export * from './title';
