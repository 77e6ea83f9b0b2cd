export * from './closure-plan.ts';
export * from './closures.ts';
export * from './cord.ts';
