import { CORNERS, isHalf, type MotifKind, type MotifRound, type Terms, type Yarn } from '@fennot/core';
import { Trash2 } from 'lucide-react';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { Row } from '../ui/Section.tsx';
import type { Outcome } from '../ui/tell.ts';
import { IntoFields } from './IntoFields.tsx';
import { INTO_NAMES, intoOf, waysOf } from './into.ts';
import { nameOfStitch, ROUND_STITCHES } from './stitch-name.ts';

const HOLDS = [
  { value: 'both', label: 'both loops' },
  { value: 'front', label: 'front loops' },
  { value: 'back', label: 'back loops' },
] as const;

interface RoundCardProps {
  readonly number: number;
  readonly round: MotifRound;
  /** Yarn it is worked in, and those there are. */
  readonly yarn: Yarn;
  readonly yarns: readonly Yarn[];
  /** What it comes to, or why it cannot be worked. */
  readonly says: string;
  readonly wrong: boolean;
  /** What is worked in it, in words; nothing where it cannot be. */
  readonly words: string;
  readonly terms: Terms;
  readonly kind: MotifKind;
  /** Whether this round has corners, or would have. */
  readonly cornered: boolean;
  readonly onChange: (round: MotifRound) => Outcome;
  readonly onColour: (yarn: string) => Outcome;
  readonly onRemove?: (() => Outcome) | undefined;
}

/** One round: its colour, its stitch, and how it goes into the round below. */
export function RoundCard(props: RoundCardProps) {
  const { number, round, yarn, yarns, says, wrong, words, terms, kind, cornered } = props;
  const { onChange, onColour, onRemove } = props;
  const { into } = round;
  const said = into.of === 'written';
  const name = `${isHalf(kind) ? 'Row' : 'Round'} ${number}`;
  return (
    <li
      aria-label={name}
      className={`rounded-md border bg-card p-2 ${wrong ? 'border-loosestrife' : 'border-line'}`}
    >
      <div className="mb-1.5 flex items-center gap-2 text-sm">
        <span
          className="size-3.5 shrink-0 rounded-full border border-line"
          style={{ background: yarn.colour }}
        />
        <b className="shrink-0">{name}</b>
        <span className={`min-w-0 flex-1 ${wrong ? 'text-loosestrife' : 'text-soft'}`}>{says}</span>
        {onRemove && (
          <Button small look="bare" aria-label={`Take ${name.toLowerCase()} out`} onClick={onRemove}>
            <Trash2 size={13} />
          </Button>
        )}
      </div>
      <div className="flex flex-col gap-2">
        <Row>
          <Choice
            label="Goes"
            value={into.of}
            options={waysOf(kind, number).map((of) => ({ value: of, label: INTO_NAMES[of] }))}
            onChange={(of) => onChange({ ...round, into: intoOf(of, CORNERS[kind], words, terms) })}
          />
          {into.of !== 'petals' && !said && (
            <Choice
              label="Stitch"
              value={round.stitch}
              options={ROUND_STITCHES.map((stitch) => ({
                value: stitch,
                label: nameOfStitch(stitch, terms),
              }))}
              onChange={(stitch) => onChange({ ...round, stitch })}
            />
          )}
          {number > 1 && !said && (
            <Choice
              label="Takes"
              value={round.hold}
              options={HOLDS}
              onChange={(hold) => onChange({ ...round, hold })}
            />
          )}
          <Choice
            label="Colour"
            value={yarn.id}
            options={yarns.map(({ id, colourName }) => ({ value: id, label: colourName }))}
            onChange={onColour}
          />
        </Row>
        <IntoFields
          into={into}
          number={number}
          kind={kind}
          cornered={cornered}
          terms={terms}
          onChange={(next) => onChange({ ...round, into: next })}
        />
      </div>
    </li>
  );
}
