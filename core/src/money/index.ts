export * from './coins.ts';
