import { type Affine, borderPlaces, extent, type WorkedPiece } from '@fennot/core';
import { Maximize2, ZoomIn, ZoomOut } from 'lucide-react';
import { useEffect } from 'react';
import { after, paintPiece } from '../drawing/piece-paint.ts';
import { useSize } from '../drawing/use-size.ts';
import { Button } from '../ui/Button.tsx';
import { paintFlatness } from './flatness-paint.ts';
import { type Look, useZoom } from './use-zoom.ts';

interface PieceDrawingProps {
  readonly piece: WorkedPiece;
  /** Colour of a row by its number. */
  readonly colour: (row: number) => string;
  /** Number of the row that is lit. */
  readonly lit: number | undefined;
  readonly label: string;
}

/** Room round the piece, as a share of its size. */
const ROOM = 0.05;
const LIT = '#f0b429';
const BORDER = '#ffffff';

/** The piece at its true shape, each stitch where it stands, the row at hand lit; can be looked at from near. */
export function PieceDrawing({ piece, colour, lit, label }: PieceDrawingProps) {
  const [canvas, { width, height }] = useSize<HTMLCanvasElement>();
  const { look, larger, smaller, whole } = useZoom(canvas);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!canvas.current || !context) return;
    const dense = window.devicePixelRatio || 1;
    canvas.current.width = Math.round(width * dense);
    canvas.current.height = Math.round(height * dense);
    const onto = after(seen(look, width, height, dense), fitted(piece, width * dense, height * dense));
    const ground = colour(piece.rows[0]?.layer.number ?? 1);
    paintPiece(context, piece, { onto, ground, colour: (row) => (row === lit ? LIT : colour(row)) });
    paintFlatness(context, piece, onto, dense);
    paintBorders(context, piece, onto, dense);
  }, [canvas, piece, colour, lit, width, height, look]);
  return (
    <div className="relative size-full">
      <canvas
        ref={canvas}
        role="img"
        aria-label={label}
        className={`block size-full touch-none ${look.scale > 1 ? 'cursor-grab active:cursor-grabbing' : ''}`}
      />
      <div className="absolute right-1 bottom-1 flex rounded-sm bg-card/85">
        <Button
          small
          look="bare"
          aria-label="From farther away"
          disabled={look.scale === 1}
          onClick={smaller}
        >
          <ZoomOut size={14} />
        </Button>
        <Button small look="bare" aria-label="From nearer" onClick={larger}>
          <ZoomIn size={14} />
        </Button>
        <Button small look="bare" aria-label="All of it" disabled={look.scale === 1} onClick={whole}>
          <Maximize2 size={14} />
        </Button>
      </div>
    </div>
  );
}

/** How a canvas is looked at, about its middle. */
function seen({ scale, x, y }: Look, width: number, height: number, dense: number): Affine {
  const [middle, centre] = [(width * dense) / 2, (height * dense) / 2];
  return [scale, 0, 0, scale, middle * (1 - scale) + x * dense, centre * (1 - scale) + y * dense];
}

/** Lines between sections that stand side by side. */
function paintBorders(
  context: CanvasRenderingContext2D,
  { rows }: WorkedPiece,
  [a, b, c, d, e, f]: Affine,
  dense: number,
): void {
  context.resetTransform();
  context.strokeStyle = BORDER;
  context.lineWidth = 2 * dense;
  context.setLineDash([5 * dense, 4 * dense]);
  const lines = rows.map(borderPlaces);
  const most = Math.max(0, ...lines.map((line) => line.length));
  for (let k = 0; k < most; k++) {
    context.beginPath();
    lines
      .flatMap((line) => line[k] ?? [])
      .forEach(({ x, y }, i) => {
        const at = [a * x + c * y + e, b * x + d * y + f] as const;
        if (i === 0) context.moveTo(...at);
        else context.lineTo(...at);
      });
    context.stroke();
  }
  context.setLineDash([]);
}

/** From the piece's plane to a canvas, the whole of it in the middle. */
function fitted({ outline }: WorkedPiece, width: number, height: number): Affine {
  const box = extent(outline);
  const [left, low] = [Math.min(...outline.map(({ x }) => x)), Math.min(...outline.map(({ y }) => y))];
  const scale = Math.min(width / (box.width || 1), height / (box.height || 1)) * (1 - 2 * ROOM);
  return [
    scale,
    0,
    0,
    -scale,
    width / 2 - scale * (left + box.width / 2),
    height / 2 + scale * (low + box.height / 2),
  ];
}
