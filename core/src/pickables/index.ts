export * from './pickables';
