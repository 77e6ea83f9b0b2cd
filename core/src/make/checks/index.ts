export { type Check, type CheckVerdict, checkVerdict } from './check.ts';
export { type Change, type CheckChoice, choicesAfter } from './choices.ts';
export { type JoinedRow, longestRow, stepChecks } from './of-bag.ts';
export { checksDue } from './of-pieces.ts';
export { type Counted, countedBefore, withMeasured } from './taken.ts';
