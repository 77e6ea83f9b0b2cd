import { type LiningSheet, layLining, letterOf, liningPieces, type Plan, type Point } from '@fennot/core';
import PDFDocument from 'pdfkit';

/** A4 in mm, and the margin no printer prints on. */
const PAGE = { width: 210, height: 297 } as const;
const MARGIN = 12;
const TILE = { width: PAGE.width - 2 * MARGIN, height: PAGE.height - 2 * MARGIN } as const;
/** PDF counts in points of 1/72 inch. */
const PT = 72 / 25.4;
/** Allowance of a bag that is not lined with cloth yet, mm. */
const USUAL_ALLOWANCE = 10;

/** More pages than this nobody lays edge to edge. */
const MOST_PAGES = 80;

/** How many pages across and down a sheet takes. */
export const tilesOf = ({ width, height }: { width: number; height: number }) => ({
  across: Math.max(1, Math.ceil(width / TILE.width)),
  down: Math.max(1, Math.ceil(height / TILE.height)),
});

/** Whether the box round some points meets a page of the sheet. */
function meets(points: readonly Point[], row: number, column: number): boolean {
  const [left, top] = [column * TILE.width, row * TILE.height];
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return (
    Math.min(...xs) < left + TILE.width &&
    Math.max(...xs) > left &&
    Math.min(...ys) < top + TILE.height &&
    Math.max(...ys) > top
  );
}

/** Whether anything is drawn on a page of the sheet. */
function holdsAnything(sheet: LiningSheet, row: number, column: number): boolean {
  const { check, checkSide } = sheet;
  const square = [check, { x: check.x + checkSide, y: check.y - checkSide }];
  return [...sheet.pieces.map(({ cutting }) => cutting), square].some((points) => meets(points, row, column));
}

/** The pages of a sheet that carry anything, row by row. */
export function pagesOf(sheet: LiningSheet): Array<{ readonly row: number; readonly column: number }> {
  const { across, down } = tilesOf(sheet);
  return Array.from({ length: across * down }, (_, i) => ({
    row: Math.floor(i / across),
    column: i % across,
  })).filter(({ row, column }) => holdsAnything(sheet, row, column));
}

/** Farther down than any sheet goes, pt. */
const FAR = 1e6;

/**
 * The lining's cutting shapes in real size, over as many A4 pages as it takes: rows lettered, columns numbered, to be
 * laid edge to edge along the printed frames. The first page carries what to do.
 */
export function liningPdf(plan: Plan): Promise<Buffer> | { readonly problem: string } {
  const { lining } = plan.document.finish ?? {};
  const allowance = lining?.of === 'cloth' ? lining.allowance : USUAL_ALLOWANCE;
  const sheet = layLining(liningPieces(plan.graph), allowance);
  const { across, down } = tilesOf(sheet);
  const pages = pagesOf(sheet);
  if (pages.length > MOST_PAGES)
    return {
      problem: `This lining would take ${pages.length} pages. Export it as SVG and have it printed on one sheet.`,
    };
  const pdf = new PDFDocument({
    size: 'A4',
    // What lies beyond a page is drawn on another one: text there must not make a page of its own.
    margins: { top: 0, left: 0, right: 0, bottom: -FAR },
    autoFirstPage: false,
  });
  const parts: Buffer[] = [];
  pdf.on('data', (part: Buffer) => parts.push(part));
  const whole = new Promise<Buffer>((resolve, reject) => {
    pdf.on('end', () => resolve(Buffer.concat(parts)));
    pdf.on('error', reject);
  });
  pdf.info.Title = `Lining of ${plan.document.name}`;

  const outline = (points: readonly Point[]) => {
    points.forEach(({ x, y }, i) => {
      if (i === 0) pdf.moveTo(x * PT, y * PT);
      else pdf.lineTo(x * PT, y * PT);
    });
    pdf.closePath();
  };
  /** What meets a page; the rest would only be clipped away. */
  const draw = (row: number, column: number) => {
    for (const laid of sheet.pieces) {
      if (!meets(laid.cutting, row, column)) continue;
      const { piece, seam, cutting, notches, grain, label } = laid;
      outline(cutting);
      pdf.lineWidth(1).undash().stroke('#1e2b28');
      outline(seam);
      pdf.lineWidth(0.7).dash(6, { space: 4 }).stroke('#136f82');
      pdf.undash();
      for (const { x, y } of notches) pdf.circle(x * PT, y * PT, 2.2 * PT).fill('#9b2f6b');
      pdf
        .moveTo(grain[0].x * PT, grain[0].y * PT)
        .lineTo(grain[1].x * PT, grain[1].y * PT)
        .lineWidth(0.7)
        .stroke('#1e2b28');
      pdf
        .fontSize(14)
        .fill('#1e2b28')
        .text(`${piece.name}, cut ${piece.cut}`, (label.x - 60) * PT, (label.y - 6) * PT, {
          width: 120 * PT,
          align: 'center',
          lineBreak: false,
        });
    }
    const { check, checkSide } = sheet;
    pdf
      .rect(check.x * PT, (check.y - checkSide) * PT, checkSide * PT, checkSide * PT)
      .lineWidth(1)
      .stroke('#1e2b28');
    pdf
      .fontSize(11)
      .fill('#1e2b28')
      .text(`${checkSide} mm: measure me`, (check.x + 8) * PT, (check.y - checkSide / 2) * PT, {
        lineBreak: false,
      });
  };

  for (const [page, { row, column }] of pages.entries()) {
    pdf.addPage();
    pdf.save();
    pdf.rect(MARGIN * PT, MARGIN * PT, TILE.width * PT, TILE.height * PT).clip();
    pdf.translate((MARGIN - column * TILE.width) * PT, (MARGIN - row * TILE.height) * PT);
    draw(row, column);
    pdf.restore();
    pdf
      .rect(MARGIN * PT, MARGIN * PT, TILE.width * PT, TILE.height * PT)
      .lineWidth(0.4)
      .dash(2, { space: 3 })
      .stroke('#8a948c');
    pdf.undash();
    const name = `${letterOf(row)}${column + 1}`;
    const help =
      page === 0
        ? ' Print at 100 %, cut along the dashed frames, lay them edge to edge by letter and number. Empty pages are left out. Solid: cut; dashed: sew.'
        : '';
    pdf
      .fontSize(8)
      .fill('#1e2b28')
      .text(
        `${plan.document.name}, lining, page ${name} of ${down} by ${across}.${help}`,
        MARGIN * PT,
        5 * PT,
        {
          lineBreak: false,
        },
      );
  }
  pdf.end();
  return whole;
}
