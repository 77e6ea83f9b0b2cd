import { type BagDocument, freeId, freeName, type Motif, type ReadyMotif } from '@fennot/core';
import { keptRound } from '../../motif-bench/with-making.ts';

/** Names a motif of a kind is given first. */
export const FIRST_NAMES: Record<Motif['kind'], string> = {
  cluster: 'Cluster square',
  solid: 'Solid square',
  disc: 'Disc',
  'half-disc': 'Half disc',
  hexagon: 'Hexagon',
  triangle: 'Triangle',
  rectangle: 'Rectangle',
};

/** Names the motifs have: two that are called alike cannot be told apart in a list. */
const namesOf = ({ motifs }: BagDocument) => new Set(motifs.map(({ name }) => name));

/** The document with one more motif of a kind. */
export function withMotif(doc: BagDocument, kind: Motif['kind']): BagDocument {
  const [swatch] = doc.swatches;
  const [yarn] = doc.yarns;
  if (!swatch || !yarn) return doc;
  const id = freeId(
    'motif',
    doc.motifs.map((one) => one.id),
  );
  const motif: Motif = {
    id,
    name: freeName(FIRST_NAMES[kind], namesOf(doc)),
    kind,
    cornerChains: 2,
    gapChains: 0,
    turning: 'counts',
    swatch: swatch.id,
    oneWay: false,
    colourways: [{ id: 'c1', name: 'First colourway', rounds: doc.yarns.slice(0, 3).map((y) => y.id) }],
    measured: [],
  };
  return { ...doc, motifs: [...doc.motifs, motif] };
}

/** The document with one more motif that is ready by its rounds. */
export function withReady(doc: BagDocument, { name, kind, rounds, oneWay = false }: ReadyMotif): BagDocument {
  const next = withMotif(doc, kind);
  return {
    ...next,
    motifs: next.motifs.map(
      (one, i): Motif =>
        i < doc.motifs.length
          ? one
          : {
              ...one,
              name: freeName(name, namesOf(doc)),
              oneWay,
              making: { of: 'rounds', rounds: rounds.map(keptRound) },
            },
    ),
  };
}
