export * from './effort.ts';
export { type Learnt, learnt, type Mute, type Told } from './learn.ts';
export { panelTops, type SizedTops, writtenTops } from './panel-tops.ts';
export { ENDS_A_MINUTE, JOINS_A_MINUTE, STITCHES_A_MINUTE, TIME_OF_TOP } from './rates.ts';
export { begunIn, motifEnds, roundColours, roundWork, roundYarn } from './round-work.ts';
export { motifStitches, panelStitches, roundStitches } from './stitches-of.ts';
export * from './uses.ts';
export { designName, type Extras, type Joined, USUAL_RIPPING } from './uses-of.ts';
export { type Weighable, weighables, weighingOf, weighingTrouble } from './weighable.ts';
