export * from './clock.ts';
export * from './event.ts';
export { lastPress } from './last-press.ts';
export { MEASURED, type Measured } from './measured.ts';
export * from './record.ts';
export * from './rows.ts';
export { type RunStep, runSteps } from './run-steps.ts';
export * from './stand.ts';
export * from './task.ts';
