export * from './multiple.ts';
