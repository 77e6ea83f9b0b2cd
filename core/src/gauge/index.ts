export * from './blocking.ts';
export * from './estimate.ts';
export * from './gauge.ts';
export * from './hook-shift.ts';
export * from './yarn-weight.ts';
