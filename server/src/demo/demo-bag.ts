import { type BagDocument, type BagDraft, documentSchema, FORMAT, VERSION } from '@fennot/core';

/** A demo bag as it is written down: of whatever version this code writes. */
export type DemoBag = Omit<BagDraft, 'format' | 'version'>;

/** Checked like any other document. */
export const asDocument = (bag: DemoBag): BagDocument =>
  documentSchema.parse({ format: FORMAT, version: VERSION, ...bag });
