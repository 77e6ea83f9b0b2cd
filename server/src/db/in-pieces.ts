/** So many rows go to the database in one statement. */
const AT_ONCE = 1000;

/** Rows as they go to the database: in pieces that one statement can hold. */
export function* inPieces<T>(rows: readonly T[]): Generator<readonly T[]> {
  for (let i = 0; i < rows.length; i += AT_ONCE) yield rows.slice(i, i + AT_ONCE);
}
