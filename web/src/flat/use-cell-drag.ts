import { type Plan, painted } from '@fennot/core';
import { useDrag } from '@use-gesture/react';
import { useEffect, useRef, useState } from 'react';
import type { BagStore, Gesture } from '../open-bag/store.ts';
import { useArranging } from '../stations/arrange/arranging.ts';
import { tell } from '../ui/tell.ts';
import { chosen, exchange } from './cell-keys.ts';

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
export function useCellDrag(plan: Plan, store: BagStore) {
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
