import { motifStrokes, type SquareDefinition, type Stroke } from '@fennot/core';
import { shade } from './shade.ts';

/** Widths of a stitch's parts, as a share of the height of one round. */
const WIDTH: Record<Stroke['part'], number> = { post: 0.46, chain: 0.26, top: 0.3, ring: 0.34 };

const pathOf = (strokes: readonly Stroke[]) =>
  strokes
    .map(
      ({ x1, y1, x2, y2 }) =>
        `M${(x1 * 100).toFixed(2)} ${(-y1 * 100).toFixed(2)}L${(x2 * 100).toFixed(2)} ${(-y2 * 100).toFixed(2)}`,
    )
    .join('');

/** The strands' slant across posts: short strokes that make a post look plied. */
function twists(strokes: readonly Stroke[], unit: number): string {
  return strokes
    .filter(({ part }) => part === 'post')
    .map(({ x1, y1, x2, y2 }) => {
      const length = Math.hypot(x2 - x1, y2 - y1) || 1;
      const [dx, dy] = [(x2 - x1) / length, (y2 - y1) / length];
      return [0.36, 0.62]
        .map((t) => {
          const [cx, cy] = [x1 + (x2 - x1) * t, y1 + (y2 - y1) * t];
          const [ax, ay] = [-dy * 0.17 * unit - dx * 0.12 * unit, dx * 0.17 * unit - dy * 0.12 * unit];
          return `M${((cx - ax) * 100).toFixed(2)} ${(-(cy - ay) * 100).toFixed(2)}L${((cx + ax) * 100).toFixed(2)} ${(-(cy + ay) * 100).toFixed(2)}`;
        })
        .join('');
    })
    .join('');
}

const pictures = new Map<string, string>();

/**
 * A motif as an SVG image address, drawn stitch by stitch in its round colours (the last one serves for
 * all further rounds). Pictures are kept: a net asks for the same few again and again.
 */
export function motifPicture(square: SquareDefinition, rounds: number, colours: readonly string[]): string {
  const key = JSON.stringify([square.kind, square.cornerChains, square.gapChains, rounds, colours]);
  const known = pictures.get(key);
  if (known !== undefined) return known;

  const strokes = motifStrokes(square, rounds);
  const unit = 0.5 / (rounds + 0.55);
  const colourOf = (round: number) =>
    colours[Math.min(Math.max(round - 1, 0), colours.length - 1)] ?? '#888888';
  const layers: string[] = [];
  const last = colourOf(rounds);
  // What shows between the stitches: the shadow inside the fabric.
  layers.push(
    `<rect x="-49" y="-49" width="98" height="98" rx="${(unit * 70).toFixed(1)}" fill="${shade(last, -0.55)}" fill-opacity="0.5"/>`,
  );
  for (let round = 0; round <= rounds; round++) {
    const own = strokes.filter((stroke) => stroke.round === round);
    const colour = colourOf(round);
    for (const part of ['ring', 'post', 'chain', 'top'] as const) {
      const of = own.filter((stroke) => stroke.part === part);
      if (of.length === 0) continue;
      const d = pathOf(of);
      const width = WIDTH[part] * unit * 100;
      const line = (stroke: string, w: number, more = '') =>
        `<path d="${d}" stroke="${stroke}" stroke-width="${w.toFixed(2)}"${more}/>`;
      layers.push(line(shade(colour, -0.36), width * 1.24), line(colour, width));
      if (part === 'post') {
        layers.push(
          `<path d="${twists(of, unit)}" stroke="${shade(colour, -0.25)}" stroke-width="${(width * 0.16).toFixed(2)}"/>`,
        );
      }
      layers.push(line(shade(colour, 0.38), width * 0.34, ' stroke-opacity="0.7"'));
    }
  }
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-50 -50 100 100" width="320" height="320"><g fill="none" stroke-linecap="round">${layers.join('')}</g></svg>`;
  const address = `data:image/svg+xml,${encodeURIComponent(svg)}`;
  pictures.set(key, address);
  return address;
}
