import {
  type BagDocument,
  CORNERS,
  isHalf,
  LIMITS,
  type Making,
  type Motif,
  type MotifRound,
  madeRounds,
  must,
  roundFlatness,
  roundWords,
  sizeTable,
  yarnOf,
} from '@fennot/core';
import { Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useSettings } from '../api/queries.ts';
import type { BagStore } from '../open-bag/store.ts';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { intoOf } from './into.ts';
import { MotifSheet } from './MotifSheet.tsx';
import { RoundCard } from './RoundCard.tsx';
import { flatnessText, roundText } from './round-text.ts';
import { withoutRound, withRoundColour, yarnOfRound } from './with-colours.ts';
import { withMaking } from './with-making.ts';

interface MotifBenchProps {
  readonly document: BagDocument;
  readonly store: BagStore;
  readonly motif: Motif;
  readonly making: Extract<Making, { of: 'rounds' }>;
}

/** A motif by its rounds: each is set, counted, drawn, charted and put into words as it changes. */
export default function MotifBench({ document, store, motif, making }: MotifBenchProps) {
  const { terms } = useSettings();
  const { kind } = motif;
  const shape = CORNERS[kind];
  const { rounds } = making;
  const made = useMemo(() => madeRounds(rounds, rounds.length, kind), [rounds, kind]);
  const { gauge, swatch } = sizeTable(document).swatch(motif.swatch);
  const lies = roundFlatness(made.rounds, swatch.stitch, gauge.row.value / gauge.pitch.value);
  const [asked, setAsked] = useState<string>();
  const way = must(motif.colourways.find(({ id }) => id === asked) ?? motif.colourways[0], 'colourway');
  const { change } = store.getState();
  const put = (next: readonly MotifRound[]) => change(withMaking(motif.id, { of: 'rounds', rounds: next }));
  const takeOut = (i: number) => {
    const next = withMaking(motif.id, { of: 'rounds', rounds: rounds.filter((_, k) => k !== i) });
    return change((doc) => withoutRound(motif.id, i + 1)(next(doc)));
  };
  const saysOf = (i: number): string => {
    const own = made.rounds[i];
    if (own)
      return [roundText(own), flatnessText(lies.find(({ round }) => round === i + 1))]
        .filter(Boolean)
        .join('; ');
    return made.problem?.round === i + 1 ? made.problem.problem : 'waits for the one before it';
  };
  const last = rounds.at(-1);
  return (
    <div className="grid min-h-0 gap-5 md:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]">
      <MotifSheet
        document={document}
        store={store}
        motif={motif}
        making={making}
        way={way}
        by={swatch.stitch}
        terms={terms}
      />
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
            return (
              <RoundCard
                key={i}
                number={i + 1}
                round={round}
                yarn={yarnOf(document, yarnOfRound(way, i + 1) ?? '')}
                yarns={document.yarns}
                says={saysOf(i)}
                wrong={own === undefined}
                words={own ? roundWords(own, terms) : ''}
                terms={terms}
                kind={kind}
                cornered={own === undefined || own.corners > 0}
                onChange={(next) => put(rounds.map((one, k) => (k === i ? next : one)))}
                onColour={(yarn) => change(withRoundColour(motif.id, way.id, i + 1, rounds.length, yarn))}
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
          <Plus size={13} /> Another {isHalf(kind) ? 'row' : 'round'}
        </Button>
      </div>
    </div>
  );
}
