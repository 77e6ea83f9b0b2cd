import { type Construction, constructionSchema } from '../families/index.ts';
import { LIMITS } from '../fields/index.ts';

/** Whether a bag the search came upon may be offered: one that the document would take, of not too many pieces. */
export const admitted = (construction: Construction, squares: number): boolean =>
  squares <= LIMITS.pieces && constructionSchema.safeParse(construction).success;
