import type { Motif } from '@fennot/core';

/** What a kind of motif is called in a list. */
export const KIND_NAMES: Record<Motif['kind'], string> = {
  cluster: 'Cluster square: groups of three',
  solid: 'Solid square: a stitch in every stitch',
  disc: 'Disc',
  'half-disc': 'Half disc',
  hexagon: 'Hexagon',
  triangle: 'Triangle: half a square',
  rectangle: 'Rectangle: begun on a chain',
};

/** What is measured of a finished one. */
export const SIZE_NAMES: Record<Motif['kind'], string> = {
  cluster: 'side',
  solid: 'side',
  disc: 'across',
  'half-disc': 'straight side',
  hexagon: 'flat to flat',
  triangle: 'short side',
  rectangle: 'short side',
};
