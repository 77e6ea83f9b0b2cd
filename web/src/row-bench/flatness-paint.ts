import type { Affine, Flatness, Point, WorkedPiece } from '@fennot/core';

/** Colours of what does not lie flat, dark and light, so that they are seen on any yarn; each has a pattern of its own. */
export const LIES = {
  cups: ['#5b2a0c', '#ffcf8f'],
  ruffles: ['#0d3d4f', '#bfe9f5'],
} as const;

/** Pixels from stroke to stroke of a pattern. */
const APART = 9;

/** Where a piece does not lie flat: outlines, in its plane, from the row where that begins to its last. */
export function bentPart({ rows, laid, flatness }: WorkedPiece): Point[][] {
  if (flatness.lies === 'flat') return [];
  const first = rows.findIndex(({ layer }) => layer.number === flatness.from);
  const last = rows.at(-1);
  if (first < 0 || !last) return [];
  const inner = rows[first - 1]?.line ?? laid.base;
  if (last.layer.round) return [[...last.line], [...inner].reverse()];
  // Along both ends, row by row.
  const between = rows.slice(first);
  const right = between.flatMap(({ line }) => line.slice(-1));
  const left = between.flatMap(({ line }) => line.slice(0, 1)).reverse();
  return [[...inner, ...right, ...[...last.line].reverse(), ...left]];
}

/** Lays a pattern over what does not lie flat: strokes where it cups, waves where it ruffles. */
export function paintFlatness(
  context: CanvasRenderingContext2D,
  piece: WorkedPiece,
  [a, b, c, d, e, f]: Affine,
  dense: number,
): void {
  const { lies } = piece.flatness;
  if (lies === 'flat') return;
  const parts = bentPart(piece).map((part) =>
    part.map(({ x, y }): Point => ({ x: a * x + c * y + e, y: b * x + d * y + f })),
  );
  context.save();
  context.resetTransform();
  context.beginPath();
  for (const part of parts) {
    part.forEach(({ x, y }, i) => {
      if (i === 0) context.moveTo(x, y);
      else context.lineTo(x, y);
    });
    context.closePath();
  }
  context.clip('evenodd');
  pattern(context, lies, dense);
  context.restore();
}

/** A canvas all over in the pattern. */
export function pattern(
  context: CanvasRenderingContext2D,
  lies: Exclude<Flatness['lies'], 'flat'>,
  dense: number,
): void {
  const { width, height } = context.canvas;
  const step = APART * dense;
  context.beginPath();
  if (lies === 'cups')
    for (let x = -height; x < width; x += step) {
      context.moveTo(x, height);
      context.lineTo(x + height, 0);
    }
  else
    for (let y = step / 2; y < height + step; y += step) {
      context.moveTo(0, y);
      for (let x = 0; x < width; x += step)
        context.quadraticCurveTo(x + step / 4, y - step / 2, x + step / 2, y);
      context.moveTo(0, y);
      for (let x = 0; x < width; x += step) {
        context.moveTo(x + step / 2, y);
        context.quadraticCurveTo(x + (3 * step) / 4, y + step / 2, x + step, y);
      }
    }
  LIES[lies].forEach((colour, i) => {
    context.strokeStyle = colour;
    context.globalAlpha = i === 0 ? 0.55 : 0.9;
    context.lineWidth = (i === 0 ? 2.6 : 1.1) * dense;
    context.stroke();
  });
  context.globalAlpha = 1;
}
