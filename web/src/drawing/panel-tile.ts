import type { Stitch } from '@fennot/core';
import { painted, stroke } from './canvas.ts';
import { shade } from './shade.ts';

/** Pixels of a tile's side; one stitch is 20 units of 40. */
const SIZE = 96;

type Line = ReadonlyArray<readonly [number, number]>;

function pathOf(lines: readonly Line[]): Path2D {
  const path = new Path2D();
  for (const line of lines) {
    line.forEach(([x, y], i) => {
      if (i === 0) path.moveTo(x, y);
      else path.lineTo(x, y);
    });
  }
  return path;
}

/** A tile of two stitches by two rows as an image address, to be repeated over a panel. */
export function panelTile(stitch: Stitch, colour: string): string {
  return painted(`${stitch} ${colour}`, SIZE, (context) => {
    context.setTransform(SIZE / 40, 0, 0, SIZE / 40, 0, 0);
    context.fillStyle = shade(colour, -0.32);
    context.fillRect(0, 0, 40, 40);
    const strand = (lines: readonly Line[], width: number) => {
      const path = pathOf(lines);
      stroke(context, path, shade(colour, -0.34), width * 1.35);
      stroke(context, path, colour, width);
      stroke(context, path, shade(colour, 0.28), width * 0.28, 0.7);
    };
    for (const row of [0, 1]) {
      for (const column of [-1, 0, 1, 2]) {
        const x = column * 20 + (row === 1 ? 2 : 0);
        const y = row * 20;
        if (stitch === 'low') {
          // A low stitch shows as a V; in the next row, worked from the other side, as a bump.
          const v: Line =
            row === 0
              ? [
                  [x + 3, y + 4],
                  [x + 10, y + 15],
                  [x + 17, y + 4],
                ]
              : [
                  [x + 1, y + 13],
                  [x + 8, y + 5],
                  [x + 15, y + 13],
                ];
          strand([v], 6);
          continue;
        }
        const lean = row === 0 ? 2 : -2;
        strand(
          [
            [
              [x + 10 - lean, y + 19],
              [x + 10 + lean, y + 6],
            ],
          ],
          11,
        );
        stroke(
          context,
          pathOf([
            [
              [x + 6, y + 14],
              [x + 14, y + 10],
            ],
          ]),
          shade(colour, -0.34),
          1.6,
        );
        strand(
          [
            [
              [x + 4, y + 3],
              [x + 16, y + 2],
            ],
          ],
          5.5,
        );
      }
    }
  });
}
