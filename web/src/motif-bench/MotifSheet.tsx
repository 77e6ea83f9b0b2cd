import {
  type BagDocument,
  isHalf,
  laidTops,
  type Making,
  type Motif,
  madeRounds,
  makingTrouble,
  motifEnds,
  motifShape,
  motifWords,
  ownHeight,
  type ReadsAs,
  readsAs,
  roundColours,
  type Stitch,
  sideLoops,
  sideStitches,
  type Terms,
  yarnOf,
} from '@fennot/core';
import { useMemo } from 'react';
import { motifPicture } from '../drawing/motif-picture.ts';
import type { BagStore } from '../open-bag/store.ts';
import { Button } from '../ui/Button.tsx';
import { MotifChart } from './MotifChart.tsx';
import { many } from './round-text.ts';

interface MotifSheetProps {
  readonly document: BagDocument;
  readonly store: BagStore;
  readonly motif: Motif;
  readonly making: Extract<Making, { of: 'rounds' }>;
  readonly way: Motif['colourways'][number];
  /** Stitch of its swatch. */
  readonly by: Stitch;
  readonly terms: Terms;
}

/** Where the stitches of its last round are counted, where that is no side. */
const ALONG: Partial<Record<Motif['kind'], string>> = { disc: 'round about', 'half-disc': 'along its curve' };

const TURNS: Readonly<Record<number, string>> = {
  2: 'half a turn',
  3: 'a third of a turn',
  4: 'a quarter turn',
  6: 'a sixth of a turn',
};

/** How it reads turned and mirrored. */
function readsText({ turns, mirrors }: ReadsAs): string {
  const turned =
    turns === undefined
      ? 'It reads the same however it lies'
      : turns === 1
        ? 'It has a top: turned it reads another way'
        : `Turned by ${TURNS[turns] ?? `1/${turns} of a turn`} it reads the same`;
  return `${turned}; mirrored it is ${mirrors ? 'the same' : 'another, as a left-handed maker works it'}.`;
}

/** The bag with a motif that must not hang on its head. */
const withTop =
  (motif: string) =>
  (document: BagDocument): BagDocument => ({
    ...document,
    motifs: document.motifs.map((one) => (one.id === motif ? { ...one, oneWay: true } : one)),
  });

/** What a motif by its rounds comes to: worked, as a chart, counted, and in words. */
export function MotifSheet({ document, store, motif, making, way, by, terms }: MotifSheetProps) {
  const { kind } = motif;
  const { rounds } = making;
  const made = useMemo(() => madeRounds(rounds, rounds.length, kind), [rounds, kind]);
  const tops = useMemo(() => laidTops(made, kind, by), [made, kind, by]);
  const reads = useMemo(() => readsAs(made.rounds, by), [made, by]);
  const trouble = makingTrouble(making, rounds.length, kind);
  const what = isHalf(kind) ? 'row' : 'round';
  const ends = motifEnds(motif, roundColours(way, rounds.length, ''));
  const side = `${sideStitches(motif, rounds.length)} ${ALONG[kind] ?? 'a side'}`;
  return (
    <div className="flex flex-col gap-3">
      <div className="grid grid-cols-2 items-center gap-3">
        <figure>
          <img
            src={motifPicture(
              motif,
              rounds.length,
              way.rounds.map((yarn) => yarnOf(document, yarn).colour),
            )}
            alt={`${motif.name}, worked`}
            className="w-full"
          />
          <figcaption className="text-center text-xs text-soft">as it is worked</figcaption>
        </figure>
        <figure>
          <MotifChart
            tops={tops}
            outline={motifShape(motif, rounds.length, 1, rounds.length).outline}
            half={isHalf(kind)}
            ring={kind !== 'rectangle'}
            label={`Chart of ${motif.name}`}
          />
          <figcaption className="text-center text-xs text-soft">as a chart</figcaption>
        </figure>
      </div>
      <p className="text-sm" data-testid="motif-facts">
        {made.problem ? (
          <b>
            {made.rounds.length} of {many(rounds.length, what)} can be worked so.
          </b>
        ) : (
          <>
            <b>{many(rounds.length, what)}</b>, {side}, {sideLoops(motif, rounds.length)} loops to join; as
            high as {Math.round(ownHeight(making, rounds.length, kind, by) * 10) / 10} {what}s of its swatch.{' '}
            In {way.name} it has {ends} {ends === 1 ? 'end' : 'ends'} to hide.
          </>
        )}
      </p>
      {!made.problem && (
        <p className="text-sm" data-testid="motif-reads">
          {readsText(reads)}
          {reads.turns === 1 && !motif.oneWay && !isHalf(kind) && (
            <Button small className="ml-2" onClick={() => store.getState().change(withTop(motif.id))}>
              Keep it upright in bags
            </Button>
          )}
        </p>
      )}
      {trouble && (
        <p role="status" className="text-sm font-medium text-loosestrife">
          {what === 'row' ? 'Row' : 'Round'} {trouble.round}: {trouble.problem}
        </p>
      )}
      <div>
        <h4 className="mb-1 text-sm font-semibold">In words</h4>
        <pre className="font-tape whitespace-pre-wrap rounded-md border border-line bg-card p-2 text-sm leading-relaxed">
          {motifWords(made.rounds, terms)}
        </pre>
      </div>
    </div>
  );
}
