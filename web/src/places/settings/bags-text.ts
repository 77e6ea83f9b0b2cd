interface Taken {
  readonly bags: number;
  readonly lots: number;
  readonly library: number;
  readonly left: number;
}

const count = (many: number, one: string, more: string): string => `${many} ${many === 1 ? one : more}`;

/** What a file brought, in words. */
export const bagsText = ({ bags, lots, library, left }: Taken): string =>
  [
    `${count(bags, 'bag', 'bags')}, ${count(lots, 'lot', 'lots')} of yarn, ${count(library, 'swatch or motif', 'swatches and motifs')}.`,
    ...(left > 0 ? [`${count(left, 'thing', 'things')} could not be kept, and stayed out.`] : []),
  ].join(' ');
