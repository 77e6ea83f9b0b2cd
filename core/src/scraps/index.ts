export type { ScrapSquares, ScrapsAsk } from './ask.ts';
export { designsOf } from './designs.ts';
export { laidOfScraps } from './lay.ts';
export { programme as scrapsProgramme } from './programme.ts';
export { type ScrapsAnswer, squaresOf } from './squares.ts';
