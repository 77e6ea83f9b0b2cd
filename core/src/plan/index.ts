export * from './begin.ts';
export * from './cures.ts';
export * from './edit.ts';
export * from './notes.ts';
export * from './plan.ts';
export * from './run-end.ts';
export * from './tally.ts';
export * from './turned.ts';
