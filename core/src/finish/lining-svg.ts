import { extent, type Point } from '../geometry/index.ts';
import { withAllowance } from './cloth.ts';
import type { LiningPiece } from './lining.ts';

/** Room between pieces, mm, and the side of the square to check the print's size with. */
const GAP = 25;
const CHECK = 100;

const path = (outline: readonly Point[]) =>
  `M${outline.map(({ x, y }) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`;

const escaped = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** A piece laid on the sheet: seam line, cutting line, notches and grain, y down, mm. */
export interface LaidPiece {
  readonly piece: LiningPiece;
  readonly seam: readonly Point[];
  readonly cutting: readonly Point[];
  readonly notches: readonly Point[];
  readonly grain: readonly [Point, Point];
  readonly label: Point;
}

export interface LiningSheet {
  readonly width: number;
  readonly height: number;
  readonly pieces: readonly LaidPiece[];
  /** Lower left corner of the check square, y down. */
  readonly check: Point;
  readonly checkSide: number;
}

/** A piece this many times as high as wide is a strip, and lies down. */
const STRIP = 2.5;

/** Lays the pieces of a lining out at scale: faces beside one another with the check square, strips lying below. */
export function layLining(pieces: readonly LiningPiece[], allowance: number): LiningSheet {
  const isStrip = ({ outline }: LiningPiece) => extent(outline).height > STRIP * extent(outline).width;
  /** A piece's cutting line, and the box round it; sharp corners stand out farther than the allowance. */
  const cut = (piece: LiningPiece) => {
    const cutting = withAllowance(piece.outline, allowance);
    const [xs, ys] = [cutting.map(({ x }) => x), cutting.map(({ y }) => y)];
    const [left, low] = [Math.min(...xs), Math.min(...ys)];
    return { cutting, left, low, width: Math.max(...xs) - left, height: Math.max(...ys) - low };
  };
  /** Puts a piece with the lower left of its cutting line at x, base; a strip turned by a quarter. */
  const lay = (piece: LiningPiece, x: number, base: number): LaidPiece => {
    const { width, height } = extent(piece.outline);
    const own = cut(piece);
    const onSheet = (p: Point): Point =>
      isStrip(piece)
        ? { x: x + p.y - own.low, y: base - (own.left + own.width - p.x) }
        : { x: x + p.x - own.left, y: base - (p.y - own.low) };
    return {
      piece,
      seam: piece.outline.map(onSheet),
      cutting: own.cutting.map(onSheet),
      notches: piece.notches.map(onSheet),
      grain: [onSheet({ x: width / 2, y: height * 0.25 }), onSheet({ x: width / 2, y: height * 0.75 })],
      label: onSheet({ x: width * (isStrip(piece) ? 0.6 : 0.5), y: height * (isStrip(piece) ? 0.12 : 0.15) }),
    };
  };
  const faces = pieces.filter((piece) => !isStrip(piece));
  const tallest = Math.max(CHECK, ...faces.map((piece) => cut(piece).height));
  let x = GAP;
  const standing = faces.map((piece) => {
    const laid = lay(piece, x, GAP + tallest);
    x += cut(piece).width + GAP;
    return laid;
  });
  const check = { x, y: GAP + tallest };
  let y = GAP + tallest;
  let wide = x + CHECK + GAP;
  const lying = pieces.filter(isStrip).map((piece) => {
    const { width, height } = cut(piece);
    y += GAP + width;
    wide = Math.max(wide, height + 2 * GAP);
    return lay(piece, GAP, y);
  });
  return { width: wide, height: y + GAP, pieces: [...standing, ...lying], check, checkSide: CHECK };
}

/** An arrow along the grain, its head so long (mm), as an SVG path. */
export function grainArrow([from, to]: LaidPiece['grain'], head: number): string {
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const [ux, uy] = [((to.x - from.x) / length) * head, ((to.y - from.y) / length) * head];
  const barb = (side: number) => `${to.x - ux - (side * uy) / 2} ${to.y - uy + (side * ux) / 2}`;
  return `M${from.x} ${from.y}L${to.x} ${to.y}M${barb(1)}L${to.x} ${to.y}L${barb(-1)}`;
}

/** The lining's cutting shapes as an SVG of true size. */
export function liningSvg(pieces: readonly LiningPiece[], allowance: number, title: string): string {
  const sheet = layLining(pieces, allowance);
  const { check, checkSide } = sheet;
  const shapes = sheet.pieces.map(({ piece, seam, cutting, notches, grain, label }) =>
    [
      `<g><title>${escaped(piece.name)}</title>`,
      `<path d="${path(cutting)}" fill="none" stroke="#1e2b28" stroke-width="0.6"/>`,
      `<path d="${path(seam)}" fill="none" stroke="#136f82" stroke-width="0.4" stroke-dasharray="4 2"/>`,
      ...notches.map(
        ({ x, y }) => `<circle cx="${x.toFixed(2)}" cy="${y.toFixed(2)}" r="1.6" fill="#9b2f6b"/>`,
      ),
      `<path d="${grainArrow(grain, 6)}" fill="none" stroke="#1e2b28" stroke-width="0.4"/>`,
      `<text x="${label.x}" y="${label.y}" font-size="8" text-anchor="middle" font-family="sans-serif">${escaped(piece.name)}, cut ${piece.cut}</text></g>`,
    ].join(''),
  );
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${sheet.width.toFixed(1)}mm" height="${sheet.height.toFixed(1)}mm" viewBox="0 0 ${sheet.width.toFixed(1)} ${sheet.height.toFixed(1)}">`,
    `<title>${escaped(title)}</title>`,
    ...shapes,
    `<path d="M${check.x} ${check.y - checkSide}h${checkSide}v${checkSide}h${-checkSide}Z" fill="none" stroke="#1e2b28" stroke-width="0.6"/>`,
    `<text x="${check.x + checkSide / 2}" y="${check.y - checkSide / 2}" font-size="7" text-anchor="middle" font-family="sans-serif">${checkSide} mm: measure me</text>`,
    '</svg>',
  ].join('\n');
}
