import { type BagGraph, insideOf, levelCuts } from '../bag/index.ts';
import type { Room } from './packing.ts';

/** The room in a bag, as it lies pressed. */
export function roomOf(graph: BagGraph): Room {
  const { height, girth } = insideOf(graph);
  const widths = Array.from({ length: 41 }, (_, k) => {
    const y = (height * (k + 0.382)) / 41;
    const xs = levelCuts(graph, y).flatMap(({ from, to }) => [from.x, to.x]);
    return { y, wide: xs.length === 0 ? 0 : Math.max(...xs) - Math.min(...xs) };
  });
  return {
    height,
    girth,
    widthBetween: (low: number, high: number) =>
      Math.min(Infinity, ...widths.flatMap(({ y, wide }) => (y >= low && y <= high ? [wide] : []))),
  };
}
