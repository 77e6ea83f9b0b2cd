import { type BagDocument, writeDocumentText } from '@fennot/core';

/** A file name made of a name: `folder-satchel.fennot.json`. */
export const fileName = (name: string, ending = '.fennot.json'): string =>
  `${
    name
      .toLowerCase()
      .replaceAll(/[^\p{L}\p{N}]+/gu, '-')
      .replaceAll(/^-|-$/g, '') || 'bag'
  }${ending}`;

/** Offers a text as a file. */
export function saveText(text: string, name: string, type: string): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = window.document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

/** Offers something that may be no bag any more, as it is. */
export const exportRaw = (raw: unknown, name: string): void =>
  saveText(`${JSON.stringify(raw, null, 2)}\n`, fileName(name), 'application/json');

/** Offers a bag as a file. */
export const exportBag = (bag: BagDocument): void =>
  saveText(writeDocumentText(bag), fileName(bag.name), 'application/json');
