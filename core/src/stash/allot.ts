import { z } from 'zod';
import { idSchema } from '../fields/index.ts';
import { groupBy } from '../geometry/index.ts';
import { gramsLeft, type KeptLot } from './lot.ts';

/** Grams of a lot that are set aside for a yarn of a bag. */
export const allotmentSchema = z.strictObject({
  id: z.uuid(),
  lot: z.uuid(),
  bag: z.uuid(),
  /** Id of the yarn in that bag. */
  yarn: idSchema,
  grams: z
    .number('A weight is a number of grams.')
    .min(0.1, 'At least 0.1 g is set aside.')
    .max(100_000, 'At most 100 kg are set aside.'),
});
export type Allotment = z.infer<typeof allotmentSchema>;

/** An allotment, and what it gets. */
export interface Grant {
  readonly allotment: Allotment;
  /** g: less than what it asks for where those before it left less. */
  readonly grams: number;
}

/** A lot with what is set aside of it. */
export interface AllottedLot {
  readonly kept: KeptLot;
  /** g */
  readonly left: number;
  /** g that no bag has asked for. */
  readonly free: number;
  /** In the order they were asked for. */
  readonly grants: readonly Grant[];
  /** More is asked for than there is: all who ask are told. */
  readonly contested: boolean;
}

/** What a rounding may take for more than there is, g. */
const NOTHING_LEFT = 0.001;

/**
 * Who gets what: the first that asked gets what it asked for, the next what is left then, so that no gram is planned twice.
 *
 * @param allotments in the order they were made; those of lots that are not there are left out.
 */
export function allotted(lots: readonly KeptLot[], allotments: readonly Allotment[]): AllottedLot[] {
  const by = groupBy(allotments, ({ lot }) => lot);
  return lots.map((kept) => {
    const left = gramsLeft(kept.lot);
    let free = left;
    const grants = (by.get(kept.id) ?? []).map((allotment): Grant => {
      const grams = Math.min(allotment.grams, free);
      free -= grams;
      return { allotment, grams };
    });
    const contested = grants.some(({ allotment, grams }) => grams < allotment.grams - NOTHING_LEFT);
    return { kept, left, free, grants, contested };
  });
}
