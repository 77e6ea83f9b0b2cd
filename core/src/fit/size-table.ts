import type { BagDocument, Motif, Swatch } from '../document/index.ts';
import type { Materials } from '../families/index.ts';
import { type Gauge, gaugeOf, type Origin } from '../gauge/index.ts';
import { fitSize, isSquare, motifShape, type SizeModel, sideLoops } from '../motif/index.ts';
import { joinMethod } from '../runs/index.ts';
import { rowEndRate } from '../stitches/index.ts';
import { mm } from '../units/index.ts';

/**
 * One size that the bag's measures rest on: a motif's side, a stitch pitch, a row height, what a join adds.
 * `common` is the error all pieces share, `single` the scatter from piece to piece; both standard errors
 * in mm.
 */
export interface SizeVariable {
  readonly key: string;
  readonly value: number;
  readonly common: number;
  readonly single: number;
  readonly origin: Origin;
}

/** All sizes of a document, worked out when first asked for. */
export interface SizeTable {
  find(key: string): SizeVariable;
  motif(id: string): { readonly motif: Motif; readonly size: SizeModel };
  swatch(id: string): { readonly swatch: Swatch; readonly gauge: Gauge };
}

export const motifKey = (motif: string, rounds: number) => `motif:${motif}:${rounds}`;
export const pitchKey = (swatch: string) => `pitch:${swatch}`;
export const rowKey = (swatch: string) => `row:${swatch}`;
export const JOIN_KEY = 'join';

/** How far a join's default effect is off, as a multiple of the stitch pitch. */
const JOIN_ERROR = 0.15;

function missing(kind: string, id: string): never {
  throw new Error(`The bag has no ${kind} ${id}.`);
}

export function sizeTable(document: BagDocument): SizeTable {
  const once = <T>(make: (id: string) => T) => {
    const made = new Map<string, T>();
    return (id: string): T => {
      const known = made.get(id);
      if (known !== undefined) return known;
      const fresh = make(id);
      made.set(id, fresh);
      return fresh;
    };
  };
  const swatch = once((id: string) => {
    const found = document.swatches.find((s) => s.id === id) ?? missing('swatch', id);
    const yarn = document.yarns.find((y) => y.id === found.yarn);
    return { swatch: found, gauge: gaugeOf({ ...found, yarnWeight: yarn?.weight ?? 4 }) };
  });
  const motif = once((id: string) => {
    const found = document.motifs.find((m) => m.id === id) ?? missing('motif', id);
    return { motif: found, size: fitSize(swatch(found.swatch).gauge, found.measured) };
  });

  const join = (): SizeVariable => {
    const { method, measuredStrip } = document.joins;
    if (measuredStrip) {
      const { motif: id, rounds, motifs, length } = measuredStrip;
      const { size } = motif(id);
      const value = (length - motifs * size.at(rounds).value) / (motifs - 1);
      const common = Math.hypot(1, size.single * Math.sqrt(motifs)) / (motifs - 1);
      return { key: JOIN_KEY, value, common, single: 0, origin: 'measured' };
    }
    const worked = document.motifs[0]?.swatch ?? document.swatches[0]?.id ?? missing('swatch', 'at all');
    const { pitch } = swatch(worked).gauge;
    const value = joinMethod(method).addsPitches * pitch.value;
    return {
      key: JOIN_KEY,
      value,
      common: JOIN_ERROR * pitch.value,
      single: 0,
      origin: 'estimated',
    };
  };

  const find = once((key: string): SizeVariable => {
    if (key === JOIN_KEY) return join();
    const [kind, id = '', rounds] = key.split(':');
    if (kind === 'motif') {
      const { size } = motif(id);
      const { value, sd, origin } = size.at(Number(rounds));
      return { key, value, common: sd, single: size.single, origin };
    }
    const { gauge } = swatch(id);
    const { value, sd, origin } = kind === 'pitch' ? gauge.pitch : gauge.row;
    return { key, value, common: sd, single: 0, origin };
  });
  return { find, motif, swatch };
}

/**
 * The sizes as builders see them. `nudge` shifts single sizes by so many mm, and every size that is asked
 * for is put down in `used`: together they show what a measure rests on.
 */
export function materialsOf(
  table: SizeTable,
  document: BagDocument,
  nudge: ReadonlyMap<string, number> = new Map(),
  used: Set<string> = new Set(),
): Materials {
  const size = (key: string) => {
    used.add(key);
    return mm(table.find(key).value + (nudge.get(key) ?? 0));
  };
  return {
    motifSide: (motif, rounds) => size(motifKey(motif, rounds)),
    motifLoops: (motif, rounds) => sideLoops(table.motif(motif).motif, rounds),
    motifShape: (motif, rounds) => {
      const own = table.motif(motif).motif;
      const rate = rowEndRate(table.swatch(own.swatch).swatch.stitch);
      return motifShape(own, rounds, size(motifKey(motif, rounds)), rate);
    },
    motifKind: (motif) => table.motif(motif).motif.kind,
    join: () => size(JOIN_KEY),
    pitch: (swatch) => size(pitchKey(swatch)),
    rowHeight: (swatch) => size(rowKey(swatch)),
    rowEndRate: (swatch) => rowEndRate(table.swatch(swatch).swatch.stitch),
    anyMotif: () => document.motifs.find(({ kind }) => isSquare(kind))?.id,
    stripSwatch: () => document.swatches[0]?.id ?? missing('swatch', 'for a strip'),
  };
}
