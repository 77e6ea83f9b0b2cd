/**
 * In which row, counted outwards from the edge, each number stands, so that none touches the one before it in its row.
 * Numbers of a strip stand close where two markers are near each other.
 *
 * @param places where the numbers begin and end along the edge, px, in order.
 * @param gap room left between two numbers of a row, px.
 */
export function markRows(places: ReadonlyArray<readonly [number, number]>, gap: number): number[] {
  const ends: number[] = [];
  return places.map(([from, to]) => {
    const free = ends.findIndex((end) => end + gap <= from);
    const row = free < 0 ? ends.length : free;
    ends[row] = to;
    return row;
  });
}
