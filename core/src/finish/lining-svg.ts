import { extent, type Point } from '../bag/index.ts';
import { type LiningPiece, withAllowance } from './lining.ts';

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

/** Lays the pieces of a lining out beside one another, at scale. */
export function layLining(pieces: readonly LiningPiece[], allowance: number): LiningSheet {
  let x = GAP;
  const tallest = Math.max(CHECK, ...pieces.map(({ outline }) => extent(outline).height + 2 * allowance));
  const laid = pieces.map((piece): LaidPiece => {
    const { width, height } = extent(piece.outline);
    const [left, base] = [x + allowance, GAP + tallest - allowance];
    const onSheet = (p: Point): Point => ({ x: left + p.x, y: base - p.y });
    x += width + 2 * allowance + GAP;
    return {
      piece,
      seam: piece.outline.map(onSheet),
      cutting: withAllowance(piece.outline, allowance).map(onSheet),
      notches: piece.notches.map(onSheet),
      grain: [onSheet({ x: width / 2, y: height * 0.25 }), onSheet({ x: width / 2, y: height * 0.75 })],
      label: onSheet({ x: width / 2, y: height * 0.15 }),
    };
  });
  return {
    width: x + CHECK + GAP,
    height: tallest + 2 * GAP,
    pieces: laid,
    check: { x, y: GAP + tallest },
    checkSide: CHECK,
  };
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
      `<path d="M${grain[0].x} ${grain[0].y}L${grain[1].x} ${grain[1].y}" stroke="#1e2b28" stroke-width="0.4"/>`,
      `<path d="M${grain[1].x - 3} ${grain[1].y + 6}L${grain[1].x} ${grain[1].y}L${grain[1].x + 3} ${grain[1].y + 6}" fill="none" stroke="#1e2b28" stroke-width="0.4"/>`,
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
