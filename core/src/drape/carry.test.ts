import { expect, test } from 'vitest';
import { planOf } from '../plan/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { carrying } from './carry.ts';
import { laidOut } from './laid-out.ts';

const { graph } = planOf({
  ...testDocument({
    family: 'two-faces',
    face: { of: 'motifs', motif: 'm1', rounds: 4, columns: 3, rows: 3 },
    tuck: 0,
  }),
  finish: { straps: { kind: 'rows', swatch: 's1', many: 2, drop: 300, wide: 4 } },
});
const how = { contents: [], soft: 0.5, pose: 'hang' } as const;

test('a strap lies on the fine mesh where it lies on the coarse one, wherever that has gone', () => {
  const [coarse, fine] = [laidOut(graph, how, 4), laidOut(graph, how, 6)];
  const [p, into] = [coarse.cloth.position, fine.cloth.position];
  const { unit } = fine.cloth;
  const laid = into.slice();
  for (let k = 0; k < p.length; k += 3) p[k] = (p[k] ?? 0) + 2;
  carrying(coarse, fine)();
  expect(fine.straps.length).toBeGreaterThan(0);
  for (const { strap, rows } of fine.straps)
    for (const row of rows)
      for (const v of row) {
        const off = [2, 0, 0].map((moved, k) => (into[3 * v + k] ?? 0) - (laid[3 * v + k] ?? 0) - moved);
        // Both meshes lay it along the same line, cut into straight parts: they part by the bow between two rows.
        expect(Math.hypot(...off) * unit).toBeLessThan(0.02 * strap.length);
      }
});
