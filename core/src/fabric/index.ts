export { type AlongEdge, alongAll } from './count/along-edge.ts';
export {
  type CountedProgram,
  chainOf,
  countProgram,
  type EdgeRow,
  type ProgramProblem,
  type ProgramRow,
  type Rules,
} from './count/count-program.ts';
export type { CountedRow } from './count/count-row.ts';
export { countedRow } from './count/counted-rows.ts';
export { type Hole, holesApart, holesOf } from './count/holes.ts';
export { bordersOf, sectionsOfRows } from './count/sections.ts';
export type { TopKind, Tops } from './count/tops.ts';
export { compareTwins, type TwinDifference, twinText } from './count/twins.ts';
export { disc, type Generated, halfDisc, type Shells, shaped, shells, writeRows } from './generate/rows.ts';
export { type Block, sideBySide } from './generate/side-by-side.ts';
export { plain, spread, times } from './generate/spread.ts';
export { type Granted, goesOnIn, grant, type Wish } from './generate/wish.ts';
export { countedPanel, type WrittenRows } from './panel.ts';
export {
  type Fabric,
  type FabricReading,
  fabricFrom,
  fabricPanel,
  type NoFabric,
  repeatOf,
  rowOfFabric,
} from './repeat/fabric.ts';
export {
  type CountedRows,
  meanHeight,
  meanRowEnds,
  outstanding,
  repeatRows,
  type TopCounts,
  topsOfRows,
} from './repeat/facts.ts';
export { firstFabric, READY_FABRICS, type ReadyFabric, readyRows } from './repeat/ready.ts';
export { type SeenRow, seenRows } from './repeat/tile.ts';
export type { SeenTop } from './seen.ts';
export { type Fan, fanText } from './shape/fan.ts';
export { type Flatness, flatnessText } from './shape/flatness.ts';
export type { LaidFlat } from './shape/lay-flat.ts';
export type { SizedSection, Sizes } from './shape/layers.ts';
export { type Lean, leanOf, leanText } from './shape/lean.ts';
export type { Side } from './shape/outline.ts';
export { usualStitch, type WorkedPiece, workedPiece } from './shape/piece.ts';
export { borderPlaces, openPlaces, type RowLine, type StitchPlace, stitchPlaces } from './shape/row-lines.ts';
export { sectionHeights, sectionsText } from './shape/section-heights.ts';
export { sizedPiece } from './shape/sized-piece.ts';
export { inTerms } from './shorthand/in-terms.ts';
export type { Instruction, Problem, Span, StitchKind } from './shorthand/instruction.ts';
export { BUNCHES } from './shorthand/instruction.ts';
export { readLine } from './shorthand/read-program.ts';
export { abbreviation } from './shorthand/vocabulary.ts';
export { stitchWord, writeRow } from './shorthand/write-row.ts';
