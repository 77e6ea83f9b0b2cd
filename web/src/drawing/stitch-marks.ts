import type { SeenTop } from '@fennot/core';
import { stroke } from './canvas.ts';
import { shade } from './shade.ts';

/** A cell of a tile, in units: one stitch of one row. */
export const CELL = 20;

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

/** Draws yarn along some lines: dark at its edges, light on its back. */
function strand(
  context: CanvasRenderingContext2D,
  lines: readonly Line[],
  colour: string,
  width: number,
): void {
  const path = pathOf(lines);
  stroke(context, path, shade(colour, -0.34), width * 1.35);
  stroke(context, path, colour, width);
  stroke(context, path, shade(colour, 0.28), width * 0.28, 0.7);
}

/** A round heap of yarn that stands out of the fabric, with its shadow. */
function heap(
  context: CanvasRenderingContext2D,
  [x, y]: readonly [number, number],
  [across, up]: readonly [number, number],
  colour: string,
): void {
  const ball = (dx: number, dy: number, by: number) => {
    const path = new Path2D();
    path.ellipse(x + dx, y + dy, across * by, up * by, 0, 0, 2 * Math.PI);
    return path;
  };
  context.globalAlpha = 0.35;
  context.fillStyle = '#000000';
  context.fill(ball(1, 1.8, 1.08));
  context.globalAlpha = 1;
  const light = context.createRadialGradient(x - across / 3, y - up / 3, 1, x, y, Math.max(across, up));
  light.addColorStop(0, shade(colour, 0.38));
  light.addColorStop(0.6, colour);
  light.addColorStop(1, shade(colour, -0.36));
  context.fillStyle = light;
  context.fill(ball(0, 0, 1));
  // The loops it is made of.
  for (const lean of [-0.5, 0, 0.5]) {
    const path = new Path2D();
    path.moveTo(x + lean * across * 1.3, y + up * 0.75);
    path.quadraticCurveTo(x + lean * across * 1.7, y, x + lean * across * 0.5, y - up * 0.85);
    stroke(context, path, shade(colour, -0.3), 1.1, 0.7);
  }
}

/** Whether a top is drawn over what lies beside it. */
export const standsOut = ({ kind, hold }: SeenTop): boolean =>
  ['bobble', 'popcorn', 'puff', 'cluster'].includes(kind) || hold === 'front-post';

/**
 * Draws one stitch in its cell.
 *
 * @param at the cell's upper left, in units.
 * @param behind it was worked from the other side.
 */
export function drawTop(
  context: CanvasRenderingContext2D,
  { kind, hold }: SeenTop,
  [x, y]: readonly [number, number],
  colour: string,
  behind: boolean,
  overHole = false,
): void {
  const yarn = (lines: readonly Line[], width: number, own = colour) => strand(context, lines, own, width);
  switch (kind) {
    case 'low':
      if (hold === 'back' || hold === 'front') {
        // What is worked into one loop leaves the other as a ridge.
        yarn(
          [
            [
              [x + 10, y + 4],
              [x + 10, y + 17],
            ],
          ],
          9,
        );
        yarn(
          [
            [
              [x - 1, y + 3],
              [x + 21, y + 3],
            ],
          ],
          5,
          hold === 'back' ? shade(colour, 0.1) : colour,
        );
        return;
      }
      // A low stitch shows as a V; in the next row, worked from the other side, as a bump.
      yarn(
        [
          behind
            ? [
                [x + 1, y + 13],
                [x + 8, y + 5],
                [x + 15, y + 13],
              ]
            : [
                [x + 3, y + 4],
                [x + 10, y + 15],
                [x + 17, y + 4],
              ],
        ],
        6,
      );
      return;
    case 'mid':
    case 'tall':
    case 'high':
      post(context, hold, [x, y], colour, behind);
      return;
    case 'slip':
    case 'yo-slip': {
      // Lying loops, leaning to one side and in the next row to the other: plaited.
      const lean = behind ? -7 : 7;
      yarn(
        [
          [
            [x + 10 - lean, y + 15],
            [x + 10 + lean, y + 5],
          ],
        ],
        kind === 'slip' ? 7 : 9,
      );
      return;
    }
    case 'chain':
      // A gap, with the chain over it; over a hole there is nothing to be seen through it.
      if (!overHole) {
        context.globalAlpha = 0.55;
        context.fillStyle = shade(colour, -0.75);
        context.fillRect(x + 4, y + 7, 12, 12);
        context.globalAlpha = 1;
      }
      yarn(
        [
          [
            [x + 2, y + 5],
            [x + 10, y + 3],
            [x + 18, y + 5],
          ],
        ],
        5,
      );
      return;
    case 'bobble':
    case 'popcorn':
      heap(context, [x + 10, y + 10], kind === 'bobble' ? [13, 12] : [12, 12], colour);
      return;
    case 'puff':
      heap(context, [x + 10, y + 10], [11, 12], shade(colour, 0.06));
      return;
    case 'cluster':
      yarn(
        [-7, 0, 7].map((lean) => [
          [x + 10 + lean, y + 20],
          [x + 10 + lean / 4, y + 4],
        ]),
        5.5,
      );
      yarn(
        [
          [
            [x + 5, y + 2],
            [x + 15, y + 2],
          ],
        ],
        5,
      );
  }
}

/** A stitch with a post: leaning as it was worked, or standing out before the fabric, or sunk behind it. */
function post(
  context: CanvasRenderingContext2D,
  hold: SeenTop['hold'],
  [x, y]: readonly [number, number],
  colour: string,
  behind: boolean,
): void {
  const lean = behind ? -2 : 2;
  if (hold === 'front-post') {
    context.globalAlpha = 0.35;
    stroke(
      context,
      pathOf([
        [
          [x + 12, y + 22],
          [x + 12, y + 1],
        ],
      ]),
      '#000000',
      14,
      0.35,
    );
    strand(
      context,
      [
        [
          [x + 10, y + 22],
          [x + 10, y - 1],
        ],
      ],
      shade(colour, 0.1),
      12,
    );
    return;
  }
  if (hold === 'back-post') {
    // Its top lies before it, level.
    strand(
      context,
      [
        [
          [x + 10, y + 19],
          [x + 10, y + 8],
        ],
      ],
      shade(colour, -0.22),
      10,
    );
    strand(
      context,
      [
        [
          [x - 1, y + 4],
          [x + 21, y + 4],
        ],
      ],
      shade(colour, -0.04),
      7,
    );
    return;
  }
  strand(
    context,
    [
      [
        [x + 10 - lean, y + 19],
        [x + 10 + lean, y + 6],
      ],
    ],
    colour,
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
    context,
    [
      [
        [x + 4, y + 3],
        [x + 16, y + 2],
      ],
    ],
    colour,
    5.5,
  );
}
