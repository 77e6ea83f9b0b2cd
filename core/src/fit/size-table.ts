import type { BagDocument, Motif, Swatch } from '../document/index.ts';
import { type Gauge, hookShift, type Origin } from '../gauge/index.ts';
import { acrossBySide, fitSize, ownHeight, type SizeModel } from '../motif/index.ts';
import { type JoinMethodId, joinMethod } from '../runs/index.ts';
import { swatchGauge } from './swatch-fabric.ts';

/** What a size is a size of. */
export type Sized =
  | { readonly of: 'motif'; readonly motif: string; readonly rounds: number }
  | { readonly of: 'pitch' | 'row'; readonly swatch: string }
  | { readonly of: 'join' }
  /** How much a strap stretches under load. */
  | { readonly of: 'stretch' };

/**
 * One size that the bag's measures rest on: a motif's side, a stitch pitch, a row height, what a join adds.
 * `common` is the error all pieces share, `single` the scatter from piece to piece; both standard errors
 * in mm.
 */
export interface SizeVariable {
  readonly what: Sized;
  readonly value: number;
  readonly common: number;
  readonly single: number;
  readonly origin: Origin;
}

/** All sizes of a document, each worked out when first asked for, and the same object ever after. */
export interface SizeTable {
  motif(id: string): { readonly motif: Motif; readonly size: SizeModel };
  swatch(id: string): { readonly swatch: Swatch; readonly gauge: Gauge };
  /** Side of a motif after so many rounds. */
  side(motif: string, rounds: number): SizeVariable;
  pitch(swatch: string): SizeVariable;
  row(swatch: string): SizeVariable;
  /** Both, mm. */
  sizes(swatch: string): { readonly pitch: number; readonly row: number };
  /** What a join by a method adds; by the bag's own unless another is named. */
  join(method?: JoinMethodId): SizeVariable;
}

/** How far a join's default effect is off, as a multiple of the stitch pitch. */
const JOIN_ERROR = 0.15;

function missing(kind: string, id: string): never {
  throw new Error(`The bag has no ${kind} ${id}.`);
}

/** Remembers what was made for each key. */
export function remembered<K, T>(make: (key: K) => T): (key: K) => T {
  const made = new Map<K, T>();
  return (key) => {
    const known = made.get(key);
    if (known !== undefined) return known;
    const fresh = make(key);
    made.set(key, fresh);
    return fresh;
  };
}

/**
 * A motif's size by its rounds. The rounds of one's own are as high as their stitches; of one whose making is unknown the
 * side is as long as its loops, until it is measured.
 */
function motifSize({ making, kind, measured }: Motif, gauge: Gauge, { hook, stitch }: Swatch): SizeModel {
  if (!making) return fitSize(gauge, measured, hook);
  const { pitch, row } = gauge;
  const high = (rounds: number) =>
    making.of === 'rounds'
      ? ownHeight(making, rounds, kind, stitch)
      : (acrossBySide(kind) * making.loops * pitch.value - pitch.value) / (2 * row.value);
  const fit = fitSize(
    gauge,
    measured.map((one) => ({ ...one, rounds: high(one.rounds) })),
    hook,
  );
  return { ...fit, at: (rounds) => fit.at(high(rounds)) };
}

export function sizeTable(document: BagDocument): SizeTable {
  const swatch = remembered((id: string) => {
    const found = document.swatches.find((s) => s.id === id) ?? missing('swatch', id);
    return { swatch: found, gauge: swatchGauge(document, found) };
  });
  const motif = remembered((id: string) => {
    const found = document.motifs.find((m) => m.id === id) ?? missing('motif', id);
    const { swatch: own, gauge } = swatch(found.swatch);
    return { motif: found, size: motifSize(found, gauge, own) };
  });

  /** What a join by the bag's own method adds. */
  function ownJoin(): SizeVariable {
    const what = { of: 'join' } as const;
    const { method, measuredStrip } = document.joins;
    if (measuredStrip) {
      const { motif: id, rounds, motifs, length, hook } = measuredStrip;
      const { size, motif: own } = motif(id);
      const { hook: now } = swatch(own.swatch).swatch;
      const { times, error } = hookShift(hook ?? now, now);
      const value = (length * times - motifs * size.at(rounds).value) / (motifs - 1);
      const common = Math.hypot(1, size.single * Math.sqrt(motifs), length * times * error) / (motifs - 1);
      return { what, value, common, single: 0, origin: times === 1 ? 'measured' : 'estimated' };
    }
    const value = joinMethod(method).addsPitches * joinPitch();
    return { what, value, common: JOIN_ERROR * joinPitch(), single: 0, origin: 'estimated' };
  }
  const joinPitch = () => {
    const worked = document.motifs[0]?.swatch ?? document.swatches[0]?.id ?? missing('swatch', 'at all');
    return swatch(worked).gauge.pitch.value;
  };
  const joins = remembered((method: JoinMethodId): SizeVariable => {
    const own = document.joins.method;
    if (method === own) return ownJoin();
    // Another method lies from it by what the methods usually add, whatever the maker's own hand makes of them.
    const base = joins(own);
    const more = (joinMethod(method).addsPitches - joinMethod(own).addsPitches) * joinPitch();
    const common = Math.hypot(base.common, JOIN_ERROR * joinPitch());
    // From the table it is no less sure than the bag's own is.
    const plain = document.joins.measuredStrip === undefined;
    return {
      ...base,
      value: base.value + more,
      common: plain ? base.common : common,
      origin: 'estimated',
    };
  });

  const ofSwatch = (of: 'pitch' | 'row') =>
    remembered((id: string): SizeVariable => {
      const { value, sd, origin } = swatch(id).gauge[of];
      return { what: { of, swatch: id }, value, common: sd, single: 0, origin };
    });
  const sides = remembered((id: string) =>
    remembered((rounds: number): SizeVariable => {
      const { size } = motif(id);
      const { value, sd, origin } = size.at(rounds);
      return { what: { of: 'motif', motif: id, rounds }, value, common: sd, single: size.single, origin };
    }),
  );
  const [pitch, row] = [ofSwatch('pitch'), ofSwatch('row')];
  return {
    swatch,
    motif,
    side: (id, rounds) => sides(id)(rounds),
    pitch,
    row,
    sizes: (id) => ({ pitch: pitch(id).value, row: row(id).value }),
    join: (method = document.joins.method) => joins(method),
  };
}
