export { type RoundFlatness, roundFlatness } from './flatness.ts';
export { type LaidTop, laidTops } from './laid-tops.ts';
export {
  type Making,
  madeRounds,
  makingTrouble,
  ownHeight,
  ownRoundStitches,
  ownRoundTops,
  roundsUpTo,
} from './making.ts';
export { presetRounds, READY_MOTIFS, type ReadyMotif } from './presets.ts';
export { type RoundsRange, roundsAmong, roundsRange } from './range.ts';
export { type ReadsAs, readsAs } from './reads-as.ts';
export { type MotifRound, type RoundInto, type RoundStitch, stitchesIn } from './round.ts';
export { motifWords, roundWords, wordsIn } from './words.ts';
export {
  type NumberedRound,
  type RoundSide,
  roundsHigh,
  sidesOf,
  type UnworkableMotif,
  workRounds,
} from './work-rounds.ts';
