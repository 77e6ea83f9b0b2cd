import type { Piece } from '../bag/index.ts';
import type { Motif } from '../document/index.ts';
import { extent, type Point } from '../geometry/index.ts';

/** More rounds than this run into one another on a card. */
const MOST_RINGS = 10;
/** Height of the middle ring in rounds. */
const RING = 0.5;

const figure = (value: number): string => String(Math.round(value * 10) / 10);

/** Where the rounds of a motif begin: its middle, or the middle of the straight side that it is worked from. */
function focusOf(kind: Motif['kind'], { outline }: Piece): Point {
  const [first] = outline;
  const { width, height } = extent(outline);
  const low = { x: Math.min(...outline.map(({ x }) => x)), y: Math.min(...outline.map(({ y }) => y)) };
  const middle = { x: low.x + width / 2, y: low.y + height / 2 };
  if (kind !== 'half-disc' && kind !== 'triangle') return middle;
  // The longest straight edge: of half a disc its diameter, of half a square its diagonal.
  let best = middle;
  let longest = 0;
  let p = outline.at(-1) ?? first;
  for (const q of outline) {
    const length = p ? Math.hypot(q.x - p.x, q.y - p.y) : 0;
    if (p && length > longest) [longest, best] = [length, { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 }];
    p = q;
  }
  return best;
}

/** Corners of an outline that is drawn as a polygon; a curve of many needs no more than this. */
const MOST_CORNERS = 24;

function pathOf(outline: readonly Point[], focus: Point, by: number): string {
  const step = Math.ceil(outline.length / MOST_CORNERS);
  const at = outline
    .filter((_, i) => i % step === 0)
    .map(({ x, y }) => `${figure(focus.x + (x - focus.x) * by)} ${figure(focus.y + (y - focus.y) * by)}`);
  return `M${at.join('L')}Z`;
}

/**
 * A motif as SVG, in the piece's own mm: round by round from the outside in, each in its colour, with its groups or
 * stitches as dashes along it. Small enough for a picture of a bag on a card.
 */
export function motifRings(motif: Motif, rounds: number, piece: Piece, colours: readonly string[]): string {
  const focus = focusOf(motif.kind, piece);
  const { width } = extent(piece.outline);
  const parts: string[] = [];
  // Of many rounds not each is seen.
  const step = Math.ceil(rounds / MOST_RINGS);
  for (let round = rounds; round >= 1; round -= step) {
    const by = (RING + round) / (RING + rounds);
    const colour = colours[Math.min(round, colours.length) - 1] ?? '#8a948c';
    // Halfway up the round: where its stitches stand.
    const middle = (RING + round - 0.5) / (RING + rounds);
    const high = width / 2 / (RING + rounds);
    const groups = motif.kind === 'cluster' ? round : 2 * round + 1;
    const pitch = (width * middle) / groups;
    parts.push(
      `<path d="${pathOf(piece.outline, focus, by)}" fill="${colour}"/>`,
      `<path d="${pathOf(piece.outline, focus, middle)}" fill="none" stroke="#fff" stroke-opacity=".22" stroke-width="${figure(high * 0.62)}" stroke-dasharray="${figure(pitch * 0.72)} ${figure(pitch * 0.28)}" stroke-dashoffset="${figure(-pitch * 0.14)}"/>`,
      `<path d="${pathOf(piece.outline, focus, by)}" fill="none" stroke="#16211d" stroke-opacity=".28" stroke-width="${figure(high * 0.14)}"/>`,
    );
  }
  parts.push(
    `<circle cx="${figure(focus.x)}" cy="${figure(focus.y)}" r="${figure((width / 2) * (RING / (RING + rounds)) * 0.5)}" fill="#16211d" fill-opacity=".35"/>`,
  );
  return parts.join('');
}
