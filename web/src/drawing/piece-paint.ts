import {
  type Affine,
  openPlaces,
  type Point,
  type StitchPlace,
  stitchPlaces,
  type WorkedPiece,
} from '@fennot/core';
import { shade } from './shade.ts';
import { CELL, drawTop, standsOut } from './stitch-marks.ts';

/** Below so many pixels a stitch is a V of one line; below so many a row is a line. */
const WHOLE = 6;
const PLAIN = 2.5;

interface Paint {
  /** From the piece's plane, mm, to the canvas, pixels. */
  readonly onto: Affine;
  /** Colour of a row by its number. */
  readonly colour: (row: number) => string;
  /** What is seen between stitches; the colour of its first row, unless one is given. */
  readonly ground?: string;
}

const at = ([a, b, c, d, e, f]: Affine, { x, y }: Point): Point => ({
  x: a * x + c * y + e,
  y: b * x + d * y + f,
});

/** A way after another. */
export function after([a, b, c, d, e, f]: Affine, [p, q, r, s, t, u]: Affine): Affine {
  return [a * p + c * q, b * p + d * q, a * r + c * s, b * r + d * s, a * t + c * u + e, b * t + d * u + f];
}

/** Paints a piece by its rows, each stitch where it stands, as large as there is room for. */
export function paintPiece(
  context: CanvasRenderingContext2D,
  { outline, rows, laid }: WorkedPiece,
  { onto, colour, ground }: Paint,
): void {
  const scale = Math.hypot(onto[0], onto[1]);
  const first = rows[0];
  context.lineCap = 'round';
  context.lineJoin = 'round';
  context.resetTransform();
  trace(
    context,
    outline.map((p) => at(onto, p)),
  );
  context.fillStyle = shade(ground ?? colour(first?.layer.number ?? 1), -0.4);
  context.fill();
  const pitch = first ? (first.layer.length / first.layer.many) * scale : 0;
  const { width, height } = context.canvas;
  /** Whether a place lies in what can be seen, with a stitch to spare. */
  const shown = ({ x, y }: Point) =>
    x > -2 * pitch && y > -2 * pitch && x < width + 2 * pitch && y < height + 2 * pitch;
  let below = laid.base;
  for (const [i, row] of rows.entries()) {
    const own = colour(row.layer.number);
    const line = (row.layer.round ? [...row.line, ...row.line.slice(0, 1)] : row.line).map((p) =>
      at(onto, p),
    );
    const behind = !row.layer.round && i % 2 === 1;
    const under = rows[i - 1];
    for (const hole of under ? openPlaces(row, under) : []) {
      // Through a hole one sees what lies behind.
      context.resetTransform();
      trace(
        context,
        hole.map((p) => at(onto, p)),
      );
      context.globalCompositeOperation = 'destination-out';
      context.fill();
      context.globalCompositeOperation = 'source-over';
    }
    if (pitch < PLAIN) stripe(context, line, shade(own, behind ? -0.12 : 0.1), pitch);
    else {
      const places = stitchPlaces(row, below).filter(({ top }) => shown(at(onto, top)));
      if (pitch < WHOLE) plainly(context, places, onto, shade(own, behind ? -0.1 : 0.1), pitch);
      else {
        // The ground of a row in its colour, so that no other shows between its stitches.
        stripe(context, line, shade(own, -0.34), pitch * 0.9);
        for (const out of [false, true])
          for (const place of places)
            if (standsOut(place.is) === out) whole(context, place, onto, own, behind);
      }
    }
    below = row.line;
  }
  context.resetTransform();
}

function trace(context: CanvasRenderingContext2D, points: readonly Point[]): void {
  context.beginPath();
  points.forEach(({ x, y }, i) => {
    if (i === 0) context.moveTo(x, y);
    else context.lineTo(x, y);
  });
}

function stripe(
  context: CanvasRenderingContext2D,
  line: readonly Point[],
  colour: string,
  wide: number,
): void {
  context.resetTransform();
  trace(context, line);
  context.strokeStyle = colour;
  context.lineWidth = Math.max(0.5, wide);
  context.lineCap = 'butt';
  context.stroke();
  context.lineCap = 'round';
}

/** A stitch as it is seen from far: a V, its point on what it is worked into. */
function plainly(
  context: CanvasRenderingContext2D,
  places: readonly StitchPlace[],
  onto: Affine,
  colour: string,
  pitch: number,
): void {
  context.resetTransform();
  context.beginPath();
  for (const { is, top, foot } of places) {
    if (is.kind === 'chain') continue;
    const [p, q] = [at(onto, top), at(onto, foot)];
    const [dx, dy] = [q.x - p.x, q.y - p.y];
    const long = Math.hypot(dx, dy) || 1;
    const [ax, ay] = [(-dy / long) * 0.36 * pitch, (dx / long) * 0.36 * pitch];
    context.moveTo(p.x + ax, p.y + ay);
    context.lineTo(q.x - 0.18 * dx, q.y - 0.18 * dy);
    context.lineTo(p.x - ax, p.y - ay);
  }
  context.strokeStyle = colour;
  context.lineWidth = 0.34 * pitch;
  context.stroke();
}

/** A stitch with its yarn, in a cell that is turned and stretched to where it stands. */
function whole(
  context: CanvasRenderingContext2D,
  { is, top, foot, wide: pitch }: StitchPlace,
  onto: Affine,
  colour: string,
  behind: boolean,
): void {
  const [dx, dy] = [foot.x - top.x, foot.y - top.y];
  const long = Math.hypot(dx, dy);
  // What stands on nothing of its own, a chain, is as high as it is wide.
  const [ux, uy] = long > pitch / 10 ? [dx / long, dy / long] : [0, -1];
  // However far below the stitches lie that it passes over, a chain is no longer than a loop.
  const high = is.kind === 'chain' ? pitch * 0.8 : Math.max(long, pitch * 0.8);
  const [wx, wy] = [-uy * pitch, ux * pitch];
  const cell: Affine = [
    wx / CELL,
    wy / CELL,
    (ux * high) / CELL,
    (uy * high) / CELL,
    top.x - wx / 2,
    top.y - wy / 2,
  ];
  context.setTransform(...after(onto, cell));
  drawTop(context, is, [0, 0], colour, behind, long > pitch / 10);
}
