import type { DemoBag } from '../demo-bag.ts';
import { colourways, yarns } from '../ready.ts';

/** A tube on a disc. The base has a round too few for the wall: the seam will pucker. */
export const teaFlaskSling: DemoBag = {
  name: 'Tea-flask sling',
  note: 'The flask goes up the tower on a shoulder. A disc to stand on and a straight wall.',
  brief: {
    width: { value: 100, tolerance: 6 },
    height: { value: 250, tolerance: 12 },
    contents: [{ shape: 'cylinder', id: 'flask', name: 'Tea flask', height: 265, diameter: 88 }],
  },
  yarns: yarns('eelgrass', 'ink', 'marigold', 'foam', 'rust'),
  swatches: [
    {
      id: 'tall',
      name: 'Tall stitch, Eelgrass',
      yarn: 'ink',
      hook: 3,
      stitch: 'tall',
      turning: 'counts',
      strands: 1,
      stitches: { count: 26, length: 116 },
      rows: { count: 12, length: 95 },
    },
  ],
  motifs: [
    {
      id: 'square',
      name: 'Small square',
      kind: 'solid',
      cornerChains: 2,
      gapChains: 0,
      turning: 'counts',
      swatch: 'tall',
      oneWay: false,
      colourways: colourways(
        ['marigold', 'foam', 'ink'],
        ['foam', 'rust', 'ink'],
        ['rust', 'marigold', 'ink'],
      ),
      measured: [{ rounds: 3, size: 51 }],
    },
    {
      id: 'disc',
      name: 'Base disc',
      kind: 'disc',
      cornerChains: 2,
      gapChains: 0,
      increases: 12,
      turning: 'counts',
      swatch: 'tall',
      oneWay: false,
      colourways: colourways(['marigold', 'rust', 'ink']),
      measured: [{ rounds: 5, size: 86 }],
    },
  ],
  construction: {
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    base: { of: 'one', motif: 'disc', rounds: 5 },
    body: { of: 'motifs', motif: 'square', rounds: 3, columns: 6, rows: 5 },
  },
  features: { drawstring: { eyelets: 12 } },
  joins: { method: 'zip-slip', yarn: 'ink', school: 'lines', flatFirst: true },
};
