export * from './near';
export * from './pickable';
export * from './state';
export * from './target';
