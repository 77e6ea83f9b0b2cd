import { z } from 'zod';
import { faceSchema } from '../layout/face.ts';
import { stripSchema } from '../strip/strip.ts';

export const facesAndStripSchema = z.strictObject({
  family: z.literal('faces-and-strip'),
  face: faceSchema,
  strip: stripSchema,
});
export type FacesAndStrip = z.infer<typeof facesAndStripSchema>;
