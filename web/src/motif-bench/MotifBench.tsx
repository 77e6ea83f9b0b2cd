import {
  type BagDocument,
  CORNERS,
  isHalf,
  LIMITS,
  laidTops,
  type Making,
  type Motif,
  type MotifRound,
  madeRounds,
  makingTrouble,
  motifEnds,
  motifShape,
  motifWords,
  must,
  type NumberedRound,
  ownHeight,
  type ReadsAs,
  type RoundFlatness,
  readsAs,
  roundFlatness,
  roundWords,
  sideLoops,
  sideStitches,
  sizeTable,
  stitchesIn,
  yarnOf,
} from '@fennot/core';
import { Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useSettings } from '../api/queries.ts';
import { motifPicture } from '../drawing/motif-picture.ts';
import type { BagStore } from '../open-bag/store.ts';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { intoOf } from './into.ts';
import { MotifChart } from './MotifChart.tsx';
import { RoundCard } from './RoundCard.tsx';
import { withoutRound, withRoundColour, yarnOfRound } from './with-colours.ts';
import { withMaking } from './with-making.ts';

interface MotifBenchProps {
  readonly document: BagDocument;
  readonly store: BagStore;
  readonly motif: Motif;
  readonly making: Extract<Making, { of: 'rounds' }>;
}

const many = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;

const petalsOf = (stitches: number, { into }: MotifRound) =>
  into.of === 'petals' ? stitches / into.petal.length : 0;

/** What a round comes to: its stitches, its chains where it has some, and where it stands. */
function roundText({ tops, corners, onto, number, round }: NumberedRound): string {
  const where = onto === number - 1 || number === 1 ? '' : ` behind the petals, on round ${onto}`;
  const petals =
    round.into.of === 'petals' ? `${many(petalsOf(tops.unit.length * tops.times, round), 'petal')}, ` : '';
  const turned = corners > 0 ? `, ${many(corners, 'corner')}` : '';
  const stitches = stitchesIn(tops);
  return `${petals}${stitches} ${stitches === 1 ? 'stitch' : 'stitches'}${turned}${where}`;
}

/** What is to be said of how a round lies: nothing where it lies flat. */
const flatnessText = (lies: RoundFlatness | undefined): string =>
  !lies || lies.lies === 'flat' ? '' : `${lies.lies}: about ${lies.flat} would lie flat`;

const TURNS: Readonly<Record<number, string>> = { 2: 'half', 3: 'third', 4: 'quarter', 6: 'sixth' };

/** How it reads turned and mirrored. */
function readsText({ turns, mirrors }: ReadsAs): string {
  const turned =
    turns === undefined
      ? 'It reads the same however it lies'
      : turns === 1
        ? 'It has a top: turned it reads another way'
        : `It reads the same turned by a ${TURNS[turns] ?? `1/${turns}`} of a turn`;
  return `${turned}; mirrored it is ${mirrors ? 'the same' : 'another, as a left-handed maker works it'}.`;
}

/** The bag with a motif that must not hang on its head. */
const withTop =
  (motif: string) =>
  (document: BagDocument): BagDocument => ({
    ...document,
    motifs: document.motifs.map((one) => (one.id === motif ? { ...one, oneWay: true } : one)),
  });

/** A motif by its rounds: each is set, counted, drawn, charted and put into words as it changes. */
export default function MotifBench({ document, store, motif, making }: MotifBenchProps) {
  const { terms } = useSettings();
  const { kind } = motif;
  const shape = CORNERS[kind];
  const { rounds } = making;
  const made = useMemo(() => madeRounds(rounds, rounds.length, kind), [rounds, kind]);
  const swatch = document.swatches.find(({ id }) => id === motif.swatch);
  const by = swatch?.stitch ?? 'tall';
  const tops = useMemo(() => laidTops(made, kind, by), [made, kind, by]);
  const gauge = sizeTable(document).swatch(motif.swatch).gauge;
  const lies = roundFlatness(made.rounds, by, gauge.row.value / gauge.pitch.value);
  const trouble = makingTrouble(making, rounds.length, kind);
  const [asked, setAsked] = useState<string>();
  const way = must(motif.colourways.find(({ id }) => id === asked) ?? motif.colourways[0], 'colourway');
  const colours = way.rounds.map((yarn) => yarnOf(document, yarn).colour);
  const { change } = store.getState();
  const put = (next: readonly MotifRound[]) => change(withMaking(motif.id, { of: 'rounds', rounds: next }));
  const takeOut = (i: number) =>
    change((doc) =>
      withoutRound(
        motif.id,
        i + 1,
      )(withMaking(motif.id, { of: 'rounds', rounds: rounds.filter((_, k) => k !== i) })(doc)),
    );
  const reads = useMemo(() => readsAs(made.rounds, by), [made, by]);
  const last = rounds.at(-1);
  const side = `${sideStitches(motif, rounds.length)} ${shape === 0 ? 'round about' : 'a side'}`;
  return (
    <div className="grid min-h-0 gap-5 md:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]">
      <div className="flex flex-col gap-3">
        <div className="grid grid-cols-2 gap-3">
          <figure>
            <img
              src={motifPicture(motif, rounds.length, colours)}
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
              {made.rounds.length} of {many(rounds.length, 'round')} can be worked so.
            </b>
          ) : (
            <>
              <b>{many(rounds.length, 'round')}</b>, {side}, {sideLoops(motif, rounds.length)} loops to join;
              as high as {Math.round(ownHeight(making, rounds.length, kind, by) * 10) / 10} rounds of its
              swatch.
              {` In ${way.name} it has ${motifEnds(way.rounds, rounds.length)} ends to hide.`}
            </>
          )}
        </p>
        {!made.problem && (
          <p className="text-sm" data-testid="motif-reads">
            {readsText(reads)}
            {reads.turns === 1 && !motif.oneWay && !isHalf(kind) && (
              <Button small className="ml-2" onClick={() => change(withTop(motif.id))}>
                Keep it upright in bags
              </Button>
            )}
          </p>
        )}
        {trouble && (
          <p role="status" className="text-sm font-medium text-loosestrife">
            Round {trouble.round}: {trouble.problem}
          </p>
        )}
        <div>
          <h4 className="mb-1 text-sm font-semibold">In words</h4>
          <pre className="font-tape whitespace-pre-wrap rounded-md border border-line bg-card p-2 text-sm leading-relaxed">
            {motifWords(made.rounds, terms)}
          </pre>
        </div>
      </div>
      <div className="flex flex-col gap-2">
        {motif.colourways.length > 1 && (
          <Choice
            label="Colours of"
            value={way.id}
            options={motif.colourways.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(id) => {
              setAsked(id);
              return undefined;
            }}
          />
        )}
        <ol className="flex flex-col gap-2">
          {rounds.map((round, i) => {
            const own = made.rounds[i];
            const says =
              own === undefined
                ? made.problem?.round === i + 1
                  ? made.problem.problem
                  : 'waits for the round before it'
                : [roundText(own), flatnessText(lies.find(({ round }) => round === i + 1))]
                    .filter(Boolean)
                    .join('; ');
            return (
              <RoundCard
                key={i}
                number={i + 1}
                round={round}
                yarn={yarnOf(document, yarnOfRound(way, i + 1) ?? '')}
                yarns={document.yarns}
                words={own ? roundWords(own, terms) : ''}
                onColour={(yarn) => change(withRoundColour(motif.id, way.id, i + 1, rounds.length, yarn))}
                says={says}
                wrong={own === undefined}
                terms={terms}
                kind={kind}
                cornered={own === undefined || own.corners > 0}
                onChange={(next) => put(rounds.map((one, k) => (k === i ? next : one)))}
                onRemove={rounds.length > 1 && i > 0 ? () => takeOut(i) : undefined}
              />
            );
          })}
        </ol>
        <Button
          small
          className="self-start"
          disabled={rounds.length >= LIMITS.rounds}
          onClick={() =>
            put([
              ...rounds,
              { stitch: last?.stitch ?? 'tall', hold: 'both', into: intoOf('each', shape, '', terms) },
            ])
          }
        >
          <Plus size={13} /> Another round
        </Button>
      </div>
    </div>
  );
}
