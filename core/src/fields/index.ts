export * from './count.ts';
