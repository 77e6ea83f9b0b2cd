import { type BagDocument, freeId, type Motif, type ReadyMotif } from '@fennot/core';
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

/** A name no motif of the bag has yet: two that are called alike cannot be told apart in a list. */
function freeName(name: string, { motifs }: BagDocument): string {
  const taken = new Set(motifs.map((one) => one.name));
  let free = name;
  for (let k = 2; taken.has(free); k++) free = `${name} ${k}`;
  return free;
}

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
    name: freeName(FIRST_NAMES[kind], doc),
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
              name: freeName(name, doc),
              oneWay,
              making: { of: 'rounds', rounds: rounds.map(keptRound) },
            },
    ),
  };
}
