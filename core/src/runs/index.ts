export * from './free-pieces.ts';
export * from './links.ts';
export * from './methods.ts';
export * from './plan-runs.ts';
export * from './school.ts';
export { type HowJoined, TAIL } from './sewn.ts';
export * from './steps.ts';
export * from './trails.ts';
export * from './words.ts';
