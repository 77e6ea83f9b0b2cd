import { type Multiple, nearestMultiple } from '../../panel/index.ts';
import { each, eachRounds, type Ranges } from '../explore.ts';
import type { Body } from './body.ts';
import type { Materials } from './materials.ts';
import { rowPattern, stitchPattern } from './pattern.ts';

/**
 * Goes through all sheets within the ranges: squares by rounds, columns and rows, and plain panels by
 * stitches and rows. `size` is one sheet's, mm, with `joinsX` and `joinsY` joins at its outer sides; the
 * body is only made when asked for. `loops` are those of its upper side.
 */
export function sheetsWithin(
  ranges: Ranges,
  materials: Materials,
  [joinsX, joinsY]: readonly [number, number],
  visit: (width: number, height: number, squares: number, make: () => Body, loops: number) => void,
): void {
  const join = materials.join();
  for (const motif of ranges.motifs) {
    eachRounds(motif, ranges.rounds, materials, (rounds) => {
      const side = materials.motifSide(motif, rounds);
      const loops = materials.motifLoops(motif, rounds);
      const length = (n: number, joins: number) => n * side + (n - 1 + joins) * join;
      each(1, ranges.squares, (columns) => {
        const width = length(columns, joinsX);
        each(1, ranges.squares, (rows) => {
          const make = (): Body => ({ of: 'motifs', motif, rounds, columns, rows });
          visit(width, length(rows, joinsY), columns * rows, make, columns * loops);
        });
      });
    });
  }
  for (const swatch of ranges.panels) {
    const [pitch, row] = [materials.pitch(swatch), materials.rowHeight(swatch)];
    const multiple = { multiple: 1, extra: 0 };
    const rowCounts = countsWithin(rowPattern(swatch, materials), ranges);
    for (const stitches of countsWithin(stitchPattern(multiple, swatch, materials), ranges)) {
      const width = stitches * pitch + joinsX * join;
      for (const rows of rowCounts) {
        const make = (): Body => ({ of: 'worked', swatch, stitches, rows, multiple, rowsRun: 'across' });
        visit(width, rows * row + joinsY * join, 0, make, stitches);
      }
    }
  }
}

/** Counts a pattern allows, about as far apart as a search tries them. */
function countsWithin(pattern: Multiple, { stitches: most, stitchStep }: Ranges): readonly number[] {
  const counts = new Set<number>();
  each(stitchStep, most, (count) => counts.add(nearestMultiple(count, pattern, most)), stitchStep);
  return [...counts].filter((count) => count <= most);
}
