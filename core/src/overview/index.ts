export * from './overview';
