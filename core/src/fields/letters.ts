/** A, B, ... Z, AA, AB: the letter of the row, wing or line with this index, each its own. */
export function letterOf(index: number): string {
  const last = String.fromCharCode('A'.charCodeAt(0) + (index % 26));
  return index < 26 ? last : letterOf(Math.floor(index / 26) - 1) + last;
}
