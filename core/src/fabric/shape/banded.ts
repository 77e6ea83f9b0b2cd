/**
 * A symmetric matrix whose entries lie near its diagonal: of the equations of a mesh whose nodes are numbered row by
 * row. Entry (i, j), j <= i, is at `i * (band + 1) + j - i + band`; farther than `band` from the diagonal all are 0.
 */
export interface Banded {
  readonly size: number;
  readonly band: number;
  readonly entries: Float64Array;
}

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const nth = (list: Float64Array, i: number): number => list[i] ?? 0;

export const banded = (size: number, band: number): Banded => ({
  size,
  band,
  entries: new Float64Array(size * (band + 1)),
});

/** Adds to an entry, and so to its mirror image. */
export function addTo({ band, entries }: Banded, i: number, j: number, value: number): void {
  const at = Math.max(i, j) * (band + 1) + band - Math.abs(i - j);
  entries[at] = nth(entries, at) + value;
}

/** Cholesky's decomposition L of a matrix, L Lᵀ = A, in its place. */
export interface Decomposed extends Banded {
  readonly decomposed: true;
}

/** @returns nothing where the matrix is not positive definite. */
export function decomposed({ size, band, entries }: Banded): Decomposed | undefined {
  for (let i = 0; i < size; i++) {
    const row = i * (band + 1) + band - i;
    for (let j = Math.max(0, i - band); j <= i; j++) {
      const other = j * (band + 1) + band - j;
      let sum = nth(entries, row + j);
      for (let k = Math.max(0, i - band); k < j; k++) sum -= nth(entries, row + k) * nth(entries, other + k);
      if (i > j) entries[row + j] = sum / nth(entries, other + j);
      else if (sum > 0) entries[row + i] = Math.sqrt(sum);
      else return undefined;
    }
  }
  return { size, band, entries, decomposed: true };
}

/** Solves A x = b, x in the place of b. */
export function solve({ size, band, entries }: Decomposed, b: Float64Array): void {
  for (let i = 0; i < size; i++) {
    const row = i * (band + 1) + band - i;
    let sum = nth(b, i);
    for (let k = Math.max(0, i - band); k < i; k++) sum -= nth(entries, row + k) * nth(b, k);
    b[i] = sum / nth(entries, row + i);
  }
  for (let i = size - 1; i >= 0; i--) {
    const row = i * (band + 1) + band - i;
    const value = nth(b, i) / nth(entries, row + i);
    b[i] = value;
    for (let k = Math.max(0, i - band); k < i; k++) b[k] = nth(b, k) - nth(entries, row + k) * value;
  }
}
