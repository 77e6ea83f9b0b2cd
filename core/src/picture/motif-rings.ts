import type { Piece } from '../bag/index.ts';
import type { Motif } from '../document/index.ts';
import { along, distance, extent, must, type Point } from '../geometry/index.ts';
import { tenths } from './figures.ts';

/** More rounds than this run into one another on a card. */
const MOST_RINGS = 10;
/** Height of the middle ring in rounds. */
const RING = 0.5;

/** Where the rounds of a motif begin: its middle, or the middle of the straight side that it is worked from. */
function focusOf(kind: Motif['kind'], { outline }: Piece): Point {
  const { width, height } = extent(outline);
  const low = { x: Math.min(...outline.map(({ x }) => x)), y: Math.min(...outline.map(({ y }) => y)) };
  const middle = { x: low.x + width / 2, y: low.y + height / 2 };
  if (kind !== 'half-disc' && kind !== 'triangle') return middle;
  // The longest straight edge: of half a disc its diameter, of half a square its diagonal.
  const edges = outline.map((q, i) => [must(outline.at(i - 1), 'corner'), q] as const);
  const long = ([p, q]: (typeof edges)[number]) => distance(p, q);
  const [p, q] = edges.reduce((best, edge) => (long(edge) > long(best) ? edge : best));
  return along(p, q, 0.5);
}

/** Corners of an outline that is drawn as a polygon; a curve of many needs no more than this. */
const MOST_CORNERS = 24;

function pathOf(outline: readonly Point[], focus: Point, by: number): string {
  const step = Math.ceil(outline.length / MOST_CORNERS);
  const at = outline
    .filter((_, i) => i % step === 0)
    .map(({ x, y }) => `${tenths(focus.x + (x - focus.x) * by)} ${tenths(focus.y + (y - focus.y) * by)}`);
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
    const colour = must(colours[Math.min(round, colours.length) - 1], 'colour of the round');
    // Halfway up the round: where its stitches stand.
    const middle = (RING + round - 0.5) / (RING + rounds);
    const high = width / 2 / (RING + rounds);
    const groups = motif.kind === 'cluster' ? round : 2 * round + 1;
    const pitch = (width * middle) / groups;
    parts.push(
      `<path d="${pathOf(piece.outline, focus, by)}" fill="${colour}"/>`,
      `<path d="${pathOf(piece.outline, focus, middle)}" fill="none" stroke="#fff" stroke-opacity=".22" stroke-width="${tenths(high * 0.62)}" stroke-dasharray="${tenths(pitch * 0.72)} ${tenths(pitch * 0.28)}" stroke-dashoffset="${tenths(-pitch * 0.14)}"/>`,
      `<path d="${pathOf(piece.outline, focus, by)}" fill="none" stroke="#16211d" stroke-opacity=".28" stroke-width="${tenths(high * 0.14)}"/>`,
    );
  }
  parts.push(
    `<circle cx="${tenths(focus.x)}" cy="${tenths(focus.y)}" r="${tenths((width / 2) * (RING / (RING + rounds)) * 0.5)}" fill="#16211d" fill-opacity=".35"/>`,
  );
  return parts.join('');
}
