import { z } from 'zod';
import { faceSchema } from '../shared/face.ts';
import { stripSchema } from '../shared/strip.ts';

export const facesAndStripSchema = z.object({
  family: z.literal('faces-and-strip'),
  face: faceSchema,
  strip: stripSchema,
});
export type FacesAndStrip = z.infer<typeof facesAndStripSchema>;
