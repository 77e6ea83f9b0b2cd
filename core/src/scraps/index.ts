export type { ScrapSquares, ScrapsAsk } from './ask.ts';
export { designsOf } from './designs.ts';
export { laidOfScraps } from './lay.ts';
export { type ScrapsAnswer, squaresOf } from './squares.ts';
