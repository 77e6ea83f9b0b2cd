import type { BagDocument, Panel } from '@fennot/core';

/** The document with a panel changed. */
export const withPanel =
  (id: string, fields: Partial<Panel>) =>
  (doc: BagDocument): BagDocument => ({
    ...doc,
    panels: doc.panels?.map((one) => (one.id === id ? { ...one, ...fields } : one)),
  });
