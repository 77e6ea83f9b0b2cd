import { extent, inNet, type Neighbour, type Piece, type Plan, pieceIndex, turnedPieces } from '@fennot/core';
import { Lock } from 'lucide-react';
import { useMemo } from 'react';
import { Fabric, useCloths } from '../drawing/Fabric.tsx';
import { usePointed } from '../drawing/pointed.ts';
import type { BagStore } from '../open-bag/store.ts';
import { useArranging } from '../stations/arrange/arranging.ts';
import { TwinMarks } from './TwinMarks.tsx';
import { useCellDrag } from './use-cell-drag.ts';
import { centreOf } from './walk.ts';

interface CellsProps {
  readonly plan: Plan;
  readonly store: BagStore;
  readonly px: number;
  readonly twins: readonly Neighbour[];
}

/** The motifs of the net under the hand: dragged onto one another, painted, with their locks and the twins that touch. */
export function Cells({ plan, store, px, twins }: CellsProps) {
  const find = pieceIndex(plan.graph);
  const { held, walk } = useArranging();
  const down = useMemo(() => turnedPieces(plan), [plan]);
  const drag = useCellDrag(plan, store);
  const drawn = [...plan.cells].flatMap((cell) => {
    const piece = plan.graph.pieces.find(({ id }) => id === cell.piece);
    return piece ? [{ cell, piece }] : [];
  });
  const over = drag.from && drag.over !== drag.from ? drag.over : undefined;
  return (
    <g>
      <TwinMarks plan={plan} twins={twins} px={px} walk={walk} />
      {drawn.map(({ cell, piece }) => (
        <g key={piece.id}>
          <polygon
            {...drag.bind(piece.id)}
            points={netPoints(piece)}
            data-cell={piece.name}
            data-cell-id={piece.id}
            fill="transparent"
            stroke={piece.id === over || piece.id === held ? 'var(--kingfisher)' : 'none'}
            strokeWidth={5 * px}
            className="cursor-grab touch-none active:cursor-grabbing"
            onPointerEnter={() => usePointed.getState().point({ piece: piece.id })}
          />
          <CellName piece={piece} px={px} down={down.has(piece.id)} />
          {cell.locked && <LockMark piece={piece} px={px} />}
        </g>
      ))}
      {drag.from && drag.at && <Lifted plan={plan} piece={find(drag.from)} at={drag.at} />}
    </g>
  );
}

const netPoints = (piece: Piece) =>
  piece.outline
    .map((p) => inNet(piece, p))
    .map(({ x, y }) => `${x},${-y}`)
    .join(' ');

/** A motif in the hand, above the others. */
function Lifted({ plan, piece, at }: { plan: Plan; piece: Piece; at: { x: number; y: number } }) {
  const cloths = useCloths(plan);
  const { width, height } = extent(piece.outline);
  return (
    <g transform={`translate(${at.x} ${at.y})`} pointerEvents="none" opacity={0.92}>
      <g
        transform={`scale(1 -1) rotate(${(piece.turn * 180) / Math.PI}) translate(${-width / 2} ${-height / 2})`}
      >
        <Fabric piece={piece} cloth={cloths(piece.id).cloth} />
      </g>
    </g>
  );
}

/** Pieces smaller than this carry no name, px. */
const NAME_ROOM = 34;

interface CellNameProps {
  readonly piece: Piece;
  readonly px: number;
  /** It is laid upside down. */
  readonly down: boolean;
}

/** A motif's name at its corner: its heart must be seen. */
function CellName({ piece, px, down }: CellNameProps) {
  const { width, height } = extent(piece.outline);
  if (Math.min(width, height) / px < NAME_ROOM) return null;
  // `Front A1` is `A1`: which sheet it is can be seen.
  const name = `${piece.name.slice(piece.name.lastIndexOf(' ') + 1)}${down ? ' ↓' : ''}`;
  const at = centreOf(piece);
  const away = Math.min(width, height) / 2 - 3 * px;
  return (
    <g transform={`translate(${at.x - away} ${-at.y - away}) scale(${px})`} pointerEvents="none">
      <rect width={name.length * 6 + 6} height={13} rx={3} fill="var(--card)" fillOpacity={0.85} />
      <text x={3} y={10} fontSize={10} fontWeight={600} fill="var(--ink)">
        {name}
      </text>
    </g>
  );
}

function LockMark({ piece, px }: { readonly piece: Piece; readonly px: number }) {
  const at = centreOf(piece);
  const { width, height } = extent(piece.outline);
  const aside = Math.max(0, Math.min(width, height) / 2 - 13 * px) * 0.9;
  return (
    <g transform={`translate(${at.x + aside} ${-at.y - aside}) scale(${px})`} pointerEvents="none">
      <circle r={10} fill="var(--card)" stroke="var(--ink)" strokeWidth={1.2} />
      <Lock x={-6} y={-6.5} width={12} height={12} color="var(--ink)" />
    </g>
  );
}
