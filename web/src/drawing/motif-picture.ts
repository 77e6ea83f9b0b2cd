import {
  drawnRounds,
  extent,
  isHalf,
  isSquare,
  type MotifDefinition,
  motifShape,
  motifStrokes,
  type Stroke,
} from '@fennot/core';
import { painted, stroke } from './canvas.ts';
import { shade } from './shade.ts';

/** Widths of a stitch's parts, as a share of the height of one round. */
const WIDTH: Record<Stroke['part'], number> = { post: 0.46, chain: 0.26, top: 0.3, ring: 0.34 };
const PARTS = ['ring', 'post', 'chain', 'top'] as const;

/** Pixels of a picture's longer side. */
const SIZE = 256;

function pathOf(strokes: readonly Stroke[]): Path2D {
  const path = new Path2D();
  for (const { x1, y1, x2, y2 } of strokes) {
    path.moveTo(x1, y1);
    path.lineTo(x2, y2);
  }
  return path;
}

/** The strands' slant across posts: short strokes that make a post look plied. */
function twists(posts: readonly Stroke[], unit: number): Path2D {
  const path = new Path2D();
  for (const { x1, y1, x2, y2 } of posts) {
    const length = Math.hypot(x2 - x1, y2 - y1) || 1;
    const [dx, dy] = [(x2 - x1) / length, (y2 - y1) / length];
    for (const t of [0.36, 0.62]) {
      const [cx, cy] = [x1 + (x2 - x1) * t, y1 + (y2 - y1) * t];
      const [ax, ay] = [(-dy * 0.17 - dx * 0.12) * unit, (dx * 0.17 - dy * 0.12) * unit];
      path.moveTo(cx - ax, cy - ay);
      path.lineTo(cx + ax, cy + ay);
    }
  }
  return path;
}

/**
 * A motif as an image address, drawn stitch by stitch in its round colours (the last one serves for all
 * further rounds). The picture fills the box round the motif's outline.
 */
export function motifPicture(motif: MotifDefinition, rounds: number, colours: readonly string[]): string {
  const key = JSON.stringify([
    motif.kind,
    motif.cornerChains,
    motif.gapChains,
    motif.increases,
    motif.first,
    motif.more,
    motif.long,
    motif.making,
    rounds,
    colours,
  ]);
  // A motif of size 1 worked round the origin, y up: a half one from the middle of its upper side.
  const { outline } = motifShape(motif, rounds, 1, rounds);
  const box = extent(outline);
  const dots = SIZE / Math.max(box.width, box.height);
  const [width, height] = [Math.round(box.width * dots), Math.round(box.height * dots)];
  return painted(key, { width, height }, (context) => {
    const half = isHalf(motif.kind);
    const rise = half ? box.height : box.height / 2;
    const [scaleX, scaleY] = [width / box.width, height / box.height];
    context.setTransform(scaleX, 0, 0, -scaleY, width / 2, (box.height - rise) * scaleY);
    const strokes = motifStrokes(motif, rounds);
    const unit = 0.5 / (drawnRounds(motif, rounds) + 0.55);
    const colourOf = (round: number) =>
      colours[Math.min(Math.max(round - 1, 0), colours.length - 1)] ?? '#888888';
    // What shows between the stitches: the shadow inside the fabric.
    context.fillStyle = shade(colourOf(rounds), -0.55);
    context.globalAlpha = 0.5;
    context.beginPath();
    if (isSquare(motif.kind)) context.roundRect(-0.49, -0.49, 0.98, 0.98, unit * 0.7);
    else for (const { x, y } of outline) context.lineTo(0.985 * (x - box.width / 2), 0.985 * (y - rise));
    context.closePath();
    context.fill();
    // Petals lie on the rounds that are worked behind them.
    const layers = [false, true].flatMap((over) =>
      Array.from({ length: Math.max(...strokes.map((one) => one.round)) + 1 }, (_, round) => ({
        over,
        round,
      })),
    );
    for (const { over, round } of layers) {
      const colour = colourOf(round);
      for (const part of PARTS) {
        const own = strokes.filter(
          (one) => one.round === round && one.part === part && (one.over ?? false) === over,
        );
        if (own.length === 0) continue;
        const path = pathOf(own);
        const width = WIDTH[part] * unit;
        stroke(context, path, shade(colour, -0.36), width * 1.24);
        stroke(context, path, colour, width);
        if (part === 'post') stroke(context, twists(own, unit), shade(colour, -0.25), width * 0.16);
        stroke(context, path, shade(colour, 0.38), width * 0.34, 0.7);
      }
    }
  });
}
