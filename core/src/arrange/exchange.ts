import type { BagDocument } from '../document/index.ts';

/** The document with two yarns in one another's place wherever a colour is chosen: in squares, stripes and joins. */
export function coloursExchanged(document: BagDocument, a: string, b: string): BagDocument {
  const other = (yarn: string) => (yarn === a ? b : yarn === b ? a : yarn);
  const { motifs, stripes, joins } = document;
  const striped = stripes && {
    ...stripes,
    ...(stripes.all && { all: { ...stripes.all, bands: stripes.all.bands.map(bandIn(other)) } }),
    ...(stripes.own && {
      own: Object.fromEntries(
        Object.entries(stripes.own).map(([piece, own]) => [
          piece,
          own === 'plain' ? own : { ...own, bands: own.bands.map(bandIn(other)) },
        ]),
      ),
    }),
  };
  return {
    ...document,
    motifs: motifs.map((motif) => ({
      ...motif,
      colourways: motif.colourways.map((way) => ({ ...way, rounds: way.rounds.map(other) })),
    })),
    ...(striped && { stripes: striped }),
    joins: {
      ...joins,
      yarn: other(joins.yarn),
      ...(joins.lines && {
        lines: Object.fromEntries(
          Object.entries(joins.lines).map(([line, how]) => [
            line,
            how.yarn === undefined ? how : { ...how, yarn: other(how.yarn) },
          ]),
        ),
      }),
    },
  };
}

const bandIn =
  (other: (yarn: string) => string) =>
  <B extends { readonly yarn: string }>(band: B): B => ({ ...band, yarn: other(band.yarn) });
