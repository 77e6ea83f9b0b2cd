export * from './score.ts';
export * from './search.ts';
