import { describe, expect, test } from 'vitest';
import { type Affine, mirrored } from '../../bag/index.ts';
import { extent, must, type Point } from '../../geometry/index.ts';
import { built } from '../../testing/built.ts';

const at = ([a, b, c, d, e, f]: Affine, { x, y }: Point): Point => ({
  x: a * x + c * y + e,
  y: b * x + d * y + f,
});

describe('a piece by its rows in a bag', () => {
  test.each([
    ['widens', false],
    ['widens', true],
    ['steps', false],
    ['steps', true],
    ['bobbles', false],
    ['bobbles', true],
    ['fan', false],
    ['round', false],
  ])(
    '%s, upright %s: its rows lie where its outline does, on both faces and in the mirror',
    (panel, upright) => {
      const { graph, materials } = built({
        family: 'faces-and-strip',
        face: { of: 'rows', panel, open: 30, ...(upright && { upright }) },
        strip: {
          swatch: 's2',
          worked: 'across',
          depth: 8,
          length: { by: 'way' },
          multiple: { multiple: 1, extra: 0 },
        },
      });
      const { piece } = materials.panel(panel);
      for (const own of [graph, mirrored(graph)]) {
        const laid = own.pieces.filter(({ make }) => make.of === 'panel' && make.panel === panel);
        expect(laid).toHaveLength(2);
        for (const { make, outline } of laid) {
          if (make.of !== 'panel') throw new Error('a panel');
          const placed = must(make.placed, 'place of its rows');
          const box = extent(outline);
          // All round, and every row: half a stitch may curl out at an edge.
          const points = [...piece.outline, ...piece.rows.flatMap(({ line }) => line)].map((p) =>
            at(placed, p),
          );
          const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
          const out = Math.max(
            -Math.min(...xs),
            -Math.min(...ys),
            Math.max(...xs) - box.width,
            Math.max(...ys) - box.height,
          );
          expect(out).toBeLessThan(6);
          // And fill it: no row lies at a corner in the small.
          expect(Math.max(...xs) - Math.min(...xs)).toBeGreaterThan(0.95 * box.width);
          expect(Math.max(...ys) - Math.min(...ys)).toBeGreaterThan(0.95 * box.height);
        }
      }
    },
  );
});
