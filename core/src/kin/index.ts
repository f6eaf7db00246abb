export * from './kin';
