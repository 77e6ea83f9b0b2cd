import fc from 'fast-check';

/** What a document might hold where something else belongs: what breaks parsers, databases and arithmetic. */
const NASTY: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    undefined,
    '',
    'a\0b',
    '\uD83D',
    '__proto__',
    "'; drop table bags; --",
    '<script>alert(1)</script>',
    0,
    -0,
    -1,
    0.1,
    1e-300,
    5e-324,
    1e308,
    2 ** 53,
    2_147_483_648,
    true,
    [],
    {},
    '9'.repeat(5000),
  ),
  fc.integer({ min: -10, max: 5000 }),
  fc.double({ noNaN: true }),
  fc.string({ unit: 'binary', maxLength: 90 }),
  fc
    .integer({ min: 1, max: 400 })
    .map((depth) => JSON.parse('['.repeat(depth) + ']'.repeat(depth)) as unknown),
  fc.integer({ min: 1, max: 2000 }).map((many) => Array.from({ length: many }, () => ({ id: 'x' }))),
);

type Holder = Record<string, unknown>;
const isHolder = (value: unknown): value is Holder => typeof value === 'object' && value !== null;

/** No document is deeper. */
const DEEP = 12;

/** Every place in a document: the thing that holds something, and under which name. */
function placesIn(value: unknown, deep = 0): Array<readonly [Holder, string]> {
  if (!isHolder(value) || deep > DEEP) return [];
  return Object.keys(value).flatMap((key) => [[value, key] as const, ...placesIn(value[key], deep + 1)]);
}

/** The same with something in it replaced, taken out, or written twice. */
export const mutated = (whole: fc.Arbitrary<unknown>, most = 3): fc.Arbitrary<unknown> =>
  fc
    .tuple(
      whole,
      fc.array(fc.tuple(fc.nat(), fc.constantFrom('put', 'drop', 'swap'), NASTY, fc.nat()), {
        maxLength: most,
      }),
    )
    .map(([start, changes]) => {
      const copy: unknown = structuredClone(start);
      for (const [where, what, nasty, other] of changes) {
        const places = placesIn(copy);
        const place = places[where % places.length];
        const from = places[other % places.length];
        if (!place || !from) return nasty;
        const [holder, key] = place;
        if (what === 'drop') delete holder[key];
        else holder[key] = what === 'put' ? nasty : structuredClone(from[0][from[1]]);
      }
      return copy;
    });
