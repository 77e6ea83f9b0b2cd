import { NOTHING } from '../geometry/index.ts';

/**
 * Stitches a band must be wide to carry a clasp.
 *
 * @param clasp its height, and `pitch` of the band's stitches, mm.
 */
export const stitchesForClasp = (clasp: number, pitch: number): number => Math.ceil(clasp / pitch - NOTHING);
