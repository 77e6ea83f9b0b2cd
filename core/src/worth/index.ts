export * from './cost.ts';
export * from './ends.ts';
export * from './finish-date.ts';
