/** Something read from a file or a row that nobody has checked yet. */
export type Raw = { readonly [key: string]: unknown };

export const isRaw = (value: unknown): value is Raw =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The objects of a list, whatever else may stand there. */
export const rawList = (value: unknown): Raw[] => (Array.isArray(value) ? value.filter(isRaw) : []);

/** The same data with every object passed through `change`, from the inside out. */
export function mapRaw(value: unknown, change: (own: Raw) => Raw): unknown {
  if (Array.isArray(value)) return value.map((item) => mapRaw(item, change));
  if (!isRaw(value)) return value;
  return change(Object.fromEntries(Object.entries(value).map(([key, own]) => [key, mapRaw(own, change)])));
}
