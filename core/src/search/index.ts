export * from './give.ts';
export * from './score.ts';
export * from './search.ts';
