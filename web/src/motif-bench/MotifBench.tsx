import {
  type BagDocument,
  CORNERS,
  LIMITS,
  laidTops,
  type Making,
  type Motif,
  type MotifRound,
  madeRounds,
  makingTrouble,
  motifEnds,
  motifWords,
  type NumberedRound,
  ownHeight,
  type RoundFlatness,
  roundFlatness,
  sideLoops,
  sideStitches,
  sizeTable,
  stitchesIn,
  yarnOf,
} from '@fennot/core';
import { Plus } from 'lucide-react';
import { useMemo } from 'react';
import { useSettings } from '../api/queries.ts';
import { motifPicture } from '../drawing/motif-picture.ts';
import type { BagStore } from '../open-bag/store.ts';
import { Button } from '../ui/Button.tsx';
import { intoOf } from './into.ts';
import { MotifChart } from './MotifChart.tsx';
import { RoundCard } from './RoundCard.tsx';
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

/** A motif by its rounds: each is set, counted, drawn, charted and put into words as it changes. */
export default function MotifBench({ document, store, motif, making }: MotifBenchProps) {
  const { terms } = useSettings();
  const shape = CORNERS[motif.kind];
  const { rounds } = making;
  const made = useMemo(() => madeRounds(rounds, rounds.length, shape), [rounds, shape]);
  const swatch = document.swatches.find(({ id }) => id === motif.swatch);
  const by = swatch?.stitch ?? 'tall';
  const tops = useMemo(() => laidTops(made, shape, by), [made, shape, by]);
  const gauge = sizeTable(document).swatch(motif.swatch).gauge;
  const lies = roundFlatness(made.rounds, by, gauge.row.value / gauge.pitch.value);
  const trouble = makingTrouble(making, rounds.length, shape);
  const [way] = motif.colourways;
  const colours = (way?.rounds ?? []).map((yarn) => yarnOf(document, yarn).colour);
  const colourOf = (round: number) => colours[Math.min(round, colours.length) - 1] ?? '#777777';
  const put = (next: readonly MotifRound[]) =>
    store.getState().change(withMaking(motif.id, { of: 'rounds', rounds: next }));
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
            <MotifChart tops={tops} colourOf={() => 'var(--ink)'} label={`Chart of ${motif.name}`} />
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
              as high as {Math.round(ownHeight(making, rounds.length, by) * 10) / 10} rounds of its swatch.
              {way && ` In ${way.name} it has ${motifEnds(way.rounds, rounds.length)} ends to hide.`}
            </>
          )}
        </p>
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
                colour={colourOf(i + 1)}
                says={says}
                wrong={own === undefined}
                terms={terms}
                shape={shape}
                cornered={own === undefined || own.corners > 0}
                onChange={(next) => put(rounds.map((one, k) => (k === i ? next : one)))}
                onRemove={
                  rounds.length > 1 && i > 0 ? () => put(rounds.filter((_, k) => k !== i)) : undefined
                }
              />
            );
          })}
        </ol>
        <Button
          small
          className="self-start"
          disabled={rounds.length >= LIMITS.rounds}
          onClick={() =>
            put([...rounds, { stitch: last?.stitch ?? 'tall', hold: 'both', into: intoOf('each', shape) }])
          }
        >
          <Plus size={13} /> Another round
        </Button>
      </div>
    </div>
  );
}
