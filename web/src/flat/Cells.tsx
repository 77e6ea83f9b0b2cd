import {
  extent,
  inNet,
  type LaidCell,
  lockSet,
  type Neighbour,
  type Piece,
  type Plan,
  painted,
  pieceIndex,
  swapped,
  swapTrouble,
  turned,
} from '@fennot/core';
import { useDrag } from '@use-gesture/react';
import { Lock } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Fabric, useCloths } from '../drawing/Fabric.tsx';
import { usePointed } from '../drawing/pointed.ts';
import type { BagStore, Gesture } from '../open-bag/store.ts';
import { useArranging } from '../stations/arrange/arranging.ts';
import { tell } from '../ui/tell.ts';
import { centreOf } from './walk.ts';

interface CellsProps {
  readonly plan: Plan;
  readonly store: BagStore;
  readonly px: number;
  readonly twins: readonly Neighbour[];
}

/** Two motifs change places, or it is told why they cannot. */
export function exchange(plan: Plan, store: BagStore, a: LaidCell, b: LaidCell): void {
  const trouble = swapTrouble(a, b);
  const name = plan.graph.pieces.find(({ id }) => id === a.piece)?.name ?? a.piece;
  if (trouble) tell(`${name} ${trouble}`);
  else if (a.piece !== b.piece) tell(store.getState().change((doc) => swapped(doc, plan.cells, a, b)));
}

/** The motifs of the net under the hand: dragged onto one another, painted, with their locks and the twins that touch. */
export function Cells({ plan, store, px, twins }: CellsProps) {
  const find = pieceIndex(plan.graph);
  const { held, walk } = useArranging();
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
          <CellName piece={piece} px={px} />
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

/** A motif's name at its corner: its heart must be seen. */
function CellName({ piece, px }: { readonly piece: Piece; readonly px: number }) {
  const { width, height } = extent(piece.outline);
  if (Math.min(width, height) / px < NAME_ROOM) return null;
  // `Front A1` is `A1`: which sheet it is can be seen.
  const name = piece.name.slice(piece.name.lastIndexOf(' ') + 1);
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

interface TwinMarksProps {
  readonly plan: Plan;
  readonly twins: readonly Neighbour[];
  readonly px: number;
  readonly walk: number | undefined;
}

/** Twins that touch: a ring about each, and a line from one to the other, dashed where only folding brings them together. */
function TwinMarks({ plan, twins, px, walk }: TwinMarksProps) {
  const find = pieceIndex(plan.graph);
  const flat = new Set(plan.graph.seams.filter(({ kind }) => kind === 'flat').map(({ id }) => id));
  const ringed = new Set(twins.flatMap(({ a, b }) => [a, b]));
  return (
    <g fill="none" stroke="var(--loosestrife)" strokeWidth={3 * px} pointerEvents="none">
      {[...ringed].map((id) => {
        const piece = find(id);
        const at = centreOf(piece);
        const { width, height } = extent(piece.outline);
        const r = Math.min(width, height) * 0.3;
        return (
          <g key={id}>
            <circle cx={at.x} cy={-at.y} r={r} stroke="var(--card)" strokeWidth={6 * px} />
            <circle cx={at.x} cy={-at.y} r={r} data-twin={piece.name} />
          </g>
        );
      })}
      {twins.map((pair, i) => {
        const [p, q] = [centreOf(find(pair.a)), centreOf(find(pair.b))];
        const beside = pair.seams.some((seam) => flat.has(seam));
        const middle = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
        const away = Math.hypot(q.x - p.x, q.y - p.y);
        // What lies far apart is joined by a bow, so that it is not taken for a row.
        const bow = beside ? 0 : away * 0.16;
        const bend = {
          x: middle.x - ((q.y - p.y) / (away || 1)) * bow,
          y: middle.y + ((q.x - p.x) / (away || 1)) * bow,
        };
        const d = `M${p.x} ${-p.y}Q${bend.x} ${-bend.y} ${q.x} ${-q.y}`;
        return (
          <g key={`${pair.a} ${pair.b}`}>
            <path d={d} stroke="var(--card)" strokeWidth={(i === walk ? 9 : 6) * px} />
            <path
              d={d}
              strokeWidth={(i === walk ? 6 : 3) * px}
              strokeDasharray={beside ? undefined : `${7 * px} ${5 * px}`}
            />
          </g>
        );
      })}
    </g>
  );
}

/** The motif's piece under a place on the page. */
function cellUnder(x: number, y: number): string | undefined {
  for (const element of document.elementsFromPoint(x, y)) {
    const id = element instanceof SVGElement ? element.dataset.cellId : undefined;
    if (id !== undefined) return id;
  }
  return undefined;
}

/** Where a place on the page lies on the drawing, y down. */
function onDrawing(target: EventTarget | null, x: number, y: number) {
  const svg = target instanceof SVGElement ? target.ownerSVGElement : undefined;
  const matrix = svg?.getScreenCTM()?.inverse();
  return matrix ? new DOMPoint(x, y).matrixTransform(matrix) : undefined;
}

/** Less than this is a press, not a pull, px. */
const PRESS = 5;

/**
 * Motifs pulled onto one another, or painted over: one pull is one step of undo. Escape, a cancelled pointer and one that
 * is lost leave everything as it was.
 */
function useCellDrag(plan: Plan, store: BagStore) {
  const [state, setState] = useState<{
    readonly from: string;
    readonly over: string | undefined;
    readonly at: { x: number; y: number } | undefined;
  }>();
  const pull = useRef<{ painting: Gesture | undefined; over: Set<string>; stopped: boolean } | undefined>(
    undefined,
  );
  const stop = () => {
    pull.current?.painting?.cancel();
    if (pull.current) pull.current = { ...pull.current, painting: undefined, stopped: true };
    setState(undefined);
  };
  const stopping = useRef(stop);
  stopping.current = stop;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || !pull.current || pull.current.stopped) return;
      event.stopPropagation();
      stopping.current();
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => {
      window.removeEventListener('keydown', onKey, { capture: true });
      stopping.current();
    };
  }, []);
  const paint = (piece: string) => {
    const { brush } = useArranging.getState();
    const own = pull.current;
    const cell = plan.cells.find((one) => one.piece === piece);
    const motif = plan.document.motifs.find(({ id }) => id === brush?.motif);
    // A design that is gone since, by undo or in another window, paints nothing.
    const there = motif?.colourways.some(({ id }) => id === brush?.design);
    if (!brush || !there || !own || own.over.has(piece) || cell?.motif !== brush.motif) return;
    own.over.add(piece);
    own.painting ??= store.getState().begin();
    tell(own.painting.move((doc) => painted(doc, plan.cells, own.over, brush.design)));
  };
  const bind = useDrag(
    ({ args: [piece], first, last, event, xy: [x, y], movement, target }) => {
      const { brush } = useArranging.getState();
      if (first) pull.current = { painting: undefined, over: new Set(), stopped: false };
      const own = pull.current;
      if (!own || own.stopped) return;
      const under = first ? piece : cellUnder(x, y);
      if (brush) {
        if (under !== undefined) paint(under);
      } else if (Math.hypot(...movement) > PRESS) {
        setState({ from: piece, over: under, at: onDrawing(target, x, y) });
      }
      if (!last) return;
      pull.current = undefined;
      setState(undefined);
      const done = event.type === 'pointerup';
      if (brush) {
        if (done) own.painting?.commit();
        else own.painting?.cancel();
        return;
      }
      if (!done) return;
      if (Math.hypot(...movement) <= PRESS) {
        chosen(plan, store, piece);
        return;
      }
      const [a, b] = [piece, under].map((id) => plan.cells.find((cell) => cell.piece === id));
      if (a && b) exchange(plan, store, a, b);
    },
    { pointer: { buttons: 1, keys: false }, filterTaps: false, threshold: 0 },
  );
  return { bind, from: state?.from, over: state?.over, at: state?.at };
}

/** A motif that is pressed: changes places with the one that is held, or is looked at. */
function chosen(plan: Plan, store: BagStore, piece: string): void {
  const { held, set } = useArranging.getState();
  usePointed.getState().point({ piece });
  if (held === undefined) return;
  set({ held: undefined });
  const [a, b] = [held, piece].map((id) => plan.cells.find((cell) => cell.piece === id));
  if (a && b) exchange(plan, store, a, b);
}

/**
 * What a key does with the motif that is pointed at: `x` picks it up, and lays it in another's place; `r` turns it, `l`
 * locks it, Escape lets it go.
 *
 * @returns whether the key was one of these.
 */
export function cellKey(plan: Plan, store: BagStore, key: string): boolean {
  const { held, set } = useArranging.getState();
  const { piece } = usePointed.getState();
  if (key === 'Escape' && held !== undefined) {
    set({ held: undefined });
    return true;
  }
  const cell = plan.cells.find((one) => one.piece === piece);
  if (!cell) return false;
  const { change } = store.getState();
  switch (key) {
    case 'x':
      if (held === undefined) set({ held: cell.piece });
      else chosen(plan, store, cell.piece);
      return true;
    case 'r':
      tell(change((doc) => turned(doc, plan.cells, cell)));
      return true;
    case 'l':
      tell(change((doc) => lockSet(doc, plan.cells, cell, !cell.locked)));
      return true;
    default:
      return false;
  }
}
