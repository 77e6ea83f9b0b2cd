import type { Affine, WorkedPiece } from '@fennot/core';
import { useEffect } from 'react';
import { paintPiece } from '../drawing/piece-paint.ts';
import { useSize } from '../drawing/use-size.ts';

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

/** The piece at its true shape, each stitch where it stands, the row at hand lit. */
export function PieceDrawing({ piece, colour, lit, label }: PieceDrawingProps) {
  const [canvas, { width, height }] = useSize<HTMLCanvasElement>();
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!canvas.current || !context) return;
    const dense = window.devicePixelRatio || 1;
    canvas.current.width = Math.round(width * dense);
    canvas.current.height = Math.round(height * dense);
    const onto = fitted(piece, width * dense, height * dense);
    paintPiece(context, piece, { onto, colour: (row) => (row === lit ? LIT : colour(row)) });
  }, [canvas, piece, colour, lit, width, height]);
  return <canvas ref={canvas} role="img" aria-label={label} className="block size-full" />;
}

/** From the piece's plane to a canvas, the whole of it in the middle. */
function fitted({ outline }: WorkedPiece, width: number, height: number): Affine {
  const [xs, ys] = [outline.map(({ x }) => x), outline.map(({ y }) => y)];
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [low, high] = [Math.min(...ys), Math.max(...ys)];
  const scale = Math.min(width / (right - left || 1), height / (high - low || 1)) * (1 - 2 * ROOM);
  return [
    scale,
    0,
    0,
    -scale,
    width / 2 - (scale * (left + right)) / 2,
    height / 2 + (scale * (low + high)) / 2,
  ];
}
