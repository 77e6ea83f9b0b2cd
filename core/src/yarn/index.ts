export * from './effort.ts';
export { motifStitches, panelStitches } from './stitches-of.ts';
