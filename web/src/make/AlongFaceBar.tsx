import type { AlongFace } from '@fennot/core';
import { Link } from 'react-router';
import { Button } from '../ui/Button.tsx';

interface AlongFaceBarProps {
  readonly along: AlongFace;
  /** Rows that are worked. */
  readonly rows: number;
  /** Address of the bag. */
  readonly base: string;
  readonly onCorner: () => void;
}

/** So much before its corner is planned it is asked for, as a share, rows at least. */
const NEAR = 0.15;
const NEAR_ROWS = 4;

/** The strip is laid along the face: whether the corner is here, and what that does to its end. */
export function AlongFaceBar({ along, rows, base, onCorner }: AlongFaceBarProps) {
  const { corners, came, planned, predicted } = along;
  const next = corners[came.length];
  const near = next !== undefined && rows > 0 && rows >= next - Math.max(NEAR_ROWS, NEAR * next);
  const more = predicted === undefined ? 0 : predicted - planned;
  if (!near && more === 0) return null;
  return (
    <div className="flex flex-col gap-1.5 border-l-4 border-kingfisher pl-2">
      {near && (
        <p className="flex flex-wrap items-center gap-2">
          <span>Laid along the face: the corner is due at row {next}.</span>
          <Button className="min-h-11" onClick={onCorner}>
            It is here, at row {rows}
          </Button>
        </p>
      )}
      {more !== 0 && (
        <p role="status">
          At your own rate it comes out at row {predicted}, {Math.abs(more)} {more > 0 ? 'more' : 'fewer'}{' '}
          than planned:{' '}
          <Link to={`${base}/sides`} className="font-medium text-kingfisher underline">
            change the strip under Sides
          </Link>
          , or ease it in.
        </p>
      )}
    </div>
  );
}
