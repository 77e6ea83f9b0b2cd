// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/** Points sorted into the cells of a cubic grid, hashed into a table. */
export interface CellGrid {
  readonly size: number;
  /** Where each slot of the table begins in `points`; one number more than there are slots. */
  readonly starts: Int32Array;
  readonly points: Int32Array;
}

/** The slot of a cell: large primes keep neighbours apart. */
export const slotOf = (slots: number, i: number, j: number, k: number): number =>
  (Math.imul(i, 92837111) ^ Math.imul(j, 689287499) ^ Math.imul(k, 283923481)) & (slots - 1);

/** A grid that many points can be sorted into again and again. */
export function cellGrid(points: number, size: number): CellGrid {
  let slots = 64;
  while (slots < 2 * points) slots *= 2;
  return { size, starts: new Int32Array(slots + 1), points: new Int32Array(points) };
}

/** Sorts points into the cells they lie in now. */
export function sortInto({ size, starts, points }: CellGrid, p: Float64Array): void {
  const slots = starts.length - 1;
  const slot = (i: number) =>
    slotOf(
      slots,
      Math.floor(at(p, 3 * i) / size),
      Math.floor(at(p, 3 * i + 1) / size),
      Math.floor(at(p, 3 * i + 2) / size),
    );
  starts.fill(0);
  for (let i = 0; i < points.length; i++) {
    const s = slot(i);
    starts[s] = nth(starts, s) + 1;
  }
  for (let s = 1; s <= slots; s++) starts[s] = nth(starts, s) + nth(starts, s - 1);
  for (let i = 0; i < points.length; i++) {
    const s = slot(i);
    const place = nth(starts, s) - 1;
    starts[s] = place;
    points[place] = i;
  }
}
