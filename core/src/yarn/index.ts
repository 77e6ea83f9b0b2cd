export * from './effort.ts';
export { motifStitches, panelStitches, roundStitches } from './stitches-of.ts';
export * from './uses.ts';
