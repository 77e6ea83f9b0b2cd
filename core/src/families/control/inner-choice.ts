import { measure } from '../../bag/index.ts';
import type { Offer, Ranges } from '../explore.ts';
import { INNER_FAMILIES, type Inner, innerOf } from '../inner.ts';
import type { Body } from '../layout/body.ts';
import type { Materials } from '../layout/materials.ts';
import { type Choices, type Control, lift } from './control.ts';

/** A body of about the wanted size in one of the families a body may be of. */
export function beginInner(
  family: string,
  size: { width: number; height: number; depth: number },
  body: Body,
  materials: Materials,
): Inner {
  const own = INNER_FAMILIES.find(({ id }) => id === family) ?? INNER_FAMILIES[0];
  return own.begin(size, body, materials);
}

/** Goes through the bodies of every family a body may be of. */
export function exploreInner(
  ranges: Ranges,
  materials: Materials,
  offer: Offer,
  take: (body: Inner) => void,
): void {
  for (const family of INNER_FAMILIES) family.explore?.(ranges, materials, offer, take);
}

/** The controls of a body inside another family: how it is built, and its own. */
export function innerControls<C>(
  inner: Inner,
  materials: Materials,
  choices: Choices,
  into: (inner: Inner) => C,
): Control<C>[] {
  const motif = materials.anyMotif();
  const body: Body = motif
    ? { of: 'motifs', motif, rounds: 4, columns: 1, rows: 1 }
    : {
        of: 'worked',
        swatch: materials.stripSwatch(),
        stitches: 1,
        rows: 1,
        multiple: { multiple: 1, extra: 0 },
        rowsRun: 'across',
      };
  return [
    {
      kind: 'choice',
      id: 'body',
      label: 'Body built as',
      value: inner.family,
      options: INNER_FAMILIES.map(({ id, name }) => ({ value: id, label: name })),
      set: (family) =>
        into(
          family === inner.family
            ? inner
            : beginInner(family, measure(innerOf(inner).build(materials)), body, materials),
        ),
    },
    ...innerOf(inner)
      .controls(materials, choices)
      .map((control) => lift(control, into)),
  ];
}
