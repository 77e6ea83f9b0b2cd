import { type BagDocument, writeDocumentText } from '@fennot/core';

/** A file name made of the bag's own: `folder-satchel.fennot.json`. */
export const fileName = (name: string): string =>
  `${
    name
      .toLowerCase()
      .replaceAll(/[^\p{L}\p{N}]+/gu, '-')
      .replaceAll(/^-|-$/g, '') || 'bag'
  }.fennot.json`;

/** Offers a bag as a file. */
export function exportBag(bag: BagDocument): void {
  const address = URL.createObjectURL(new Blob([writeDocumentText(bag)], { type: 'application/json' }));
  const link = window.document.createElement('a');
  link.href = address;
  link.download = fileName(bag.name);
  link.click();
  URL.revokeObjectURL(address);
}
