import { z } from 'zod';
import type { BagDocument } from '../document/index.ts';
import { smallPicture } from '../picture/index.ts';
import { planned } from '../plan/index.ts';
import { noteTexts } from '../readouts/index.ts';

/** Raised whenever summaries come to say more or something else: older ones are made anew when they are asked for. */
export const SUMMARY = 1;

/** What a bag says of itself in a list, without being planned anew. */
export const summarySchema = z.discriminatedUnion('is', [
  z.object({
    is: z.literal('sound'),
    family: z.string(),
    /** mm */
    width: z.number(),
    height: z.number(),
    depth: z.number(),
    /** What still wants its maker, a few words each. */
    notes: z.array(z.string()),
  }),
  /** It can be kept, but not shown. */
  z.object({ is: z.literal('damaged'), why: z.string() }),
]);
export type Summary = z.infer<typeof summarySchema>;

export interface Summed {
  readonly summary: Summary;
  /** The made-up bag as SVG; nothing of one that cannot be shown. */
  readonly picture: string | undefined;
}

/** A length in a list: tenths of a mm are enough. */
const tenths = (length: number): number => Math.round(length * 10) / 10;

/** Sums a bag up: as far as it can be planned, with its picture. */
export function summedUp(document: BagDocument): Summed {
  const answer = planned(document);
  if (!answer.ok) return { summary: { is: 'damaged', why: answer.problem }, picture: undefined };
  const { plan } = answer;
  const size = (name: string) =>
    tenths(plan.tapes.find(({ measure }) => measure === name)?.finished.value ?? 0);
  return {
    summary: {
      is: 'sound',
      family: plan.familyName,
      width: size('width'),
      height: size('height'),
      depth: size('depth'),
      notes: [...noteTexts(plan).values()],
    },
    picture: smallPicture(plan),
  };
}
