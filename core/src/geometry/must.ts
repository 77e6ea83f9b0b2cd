/**
 * Something that must be there: the second corner of an edge, the first swatch of a bag. Where it is not, whoever asks
 * is mistaken, and is told what is missing, instead of going on with nothing in its place.
 */
export function must<T>(value: T | undefined, what: string): T {
  if (value === undefined) throw new Error(`There is no ${what}.`);
  return value;
}
