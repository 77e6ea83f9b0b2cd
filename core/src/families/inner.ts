import { z } from 'zod';
import { type Bound, bind } from './bind.ts';
import { boxed, boxedSchema } from './boxed/index.ts';
import { facesAndStrip, facesAndStripSchema } from './faces-and-strip/index.ts';
import { twoFaces, twoFacesSchema } from './two-faces/index.ts';
import { wrapRound, wrapRoundSchema } from './wrap-round/index.ts';

/** Bodies that other families put something on or over. */
export const innerSchema = z.discriminatedUnion('family', [
  wrapRoundSchema,
  boxedSchema,
  facesAndStripSchema,
  twoFacesSchema,
]);
export type Inner = z.infer<typeof innerSchema>;

/** Names to choose the body's own way of building from. */
export const INNER_FAMILIES = [wrapRound, boxed, facesAndStrip, twoFaces] as const;

export function innerOf(body: Inner): Bound<Inner> {
  switch (body.family) {
    case 'wrap-round':
      return bind(wrapRound, body);
    case 'boxed':
      return bind(boxed, body);
    case 'faces-and-strip':
      return bind(facesAndStrip, body);
    case 'two-faces':
      return bind(twoFaces, body);
  }
}
