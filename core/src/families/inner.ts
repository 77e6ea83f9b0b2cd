import { z } from 'zod';
import { boxed } from './boxed/index.ts';
import { facesAndStrip } from './faces-and-strip/index.ts';
import { type Bound, boundAmong } from './family.ts';
import { twoFaces } from './two-faces/index.ts';
import { wrapRound } from './wrap-round/index.ts';

/** Bodies that other families put something on or over. */
export const INNER_FAMILIES = [wrapRound, boxed, facesAndStrip, twoFaces] as const;

export const innerSchema = z.discriminatedUnion('family', [
  wrapRound.schema,
  boxed.schema,
  facesAndStrip.schema,
  twoFaces.schema,
]);
export type Inner = z.infer<typeof innerSchema>;

export const innerOf = (body: Inner): Bound<Inner> => boundAmong<Inner>(INNER_FAMILIES, body);
