export * from './begin.ts';
export * from './plan.ts';
export * from './readouts.ts';
export * from './tally.ts';
