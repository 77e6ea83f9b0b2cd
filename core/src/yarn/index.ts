export { type Effort, effortOf } from './effort.ts';
export { motifStitches, panelStitches } from './stitches-of.ts';
