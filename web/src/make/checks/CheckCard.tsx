import {
  type Check,
  type CheckChoice,
  type Counted,
  checkVerdict,
  formatLength,
  mm,
  movesBetween,
  type Plan,
  tapedSizes,
  withMeasured,
} from '@fennot/core';
import { Ruler } from 'lucide-react';
import { useId, useMemo, useState } from 'react';
import { useSettings } from '../../api/queries.ts';
import { planFor } from '../../open-bag/plans.ts';
import { Button } from '../../ui/Button.tsx';
import { LengthField } from '../../ui/fields.tsx';
import { askText, changeText, movesText } from './check-words.ts';
import { useChoices } from './use-choices.ts';

/** A measure that was taken, with the way on that was chosen. */
export interface Taken {
  readonly check: Check;
  readonly mm: number;
  readonly before: Counted | undefined;
  readonly choice: CheckChoice | undefined;
}

interface CheckCardProps {
  readonly plan: Plan;
  readonly check: Check;
  /** What the plan has of the same piece already. */
  readonly before?: Counted | undefined;
  /** Takes it into the plan, and into the log. */
  readonly onTake: (taken: Taken) => void;
  readonly onLater: () => void;
}

/** Something is to be laid under the tape: what it should come to, what it did, what that does to the bag, and what could be done. */
export function CheckCard({ plan, check, before, onTake, onLater }: CheckCardProps) {
  const { system } = useSettings();
  const [length, setLength] = useState<number | undefined>(undefined);
  const [chosen, setChosen] = useState(0);
  const { expected, range, what } = check;
  const say = (size: number) => formatLength(mm(size), system);
  const moves = useMemo(() => {
    if (length === undefined) return [];
    const next = planFor(withMeasured(plan.document, what, length, before));
    return next.ok ? movesBetween(tapedSizes(plan), tapedSizes(next.plan)) : [];
  }, [plan, what, length, before]);
  // A tape of the finished bag comes too late for another way.
  const taped = what.of === 'tape';
  const choices = useChoices(plan.document, check, taped ? undefined : length, before);
  const all = choices.is === 'there' ? choices.all : [];
  const { title, how } = askText(check);
  return (
    <section
      aria-label="Measure it"
      className="max-h-[60vh] shrink-0 overflow-y-auto border-l-4 border-kingfisher bg-card px-3 py-2"
    >
      <h3 className="flex items-center gap-2 text-lg">
        <Ruler size={18} /> {title}
      </h3>
      <p className="text-sm text-soft">
        {how} {say(expected)} is expected, {say(range.low)} to {say(range.high)}.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <div className="w-36">
          <LengthField
            label="It measures"
            value={length}
            onChange={(value) => {
              setLength(value);
              setChosen(0);
            }}
            onClear={() => setLength(undefined)}
          />
        </div>
        <Button
          look="main"
          className="min-h-11"
          disabled={length === undefined || choices.is === 'trying'}
          onClick={() => {
            if (length !== undefined) onTake({ check, mm: length, before, choice: all[chosen] });
          }}
        >
          {taped ? 'Keep it' : 'Take it into the plan'}
        </Button>
        <Button look="bare" className="min-h-11" onClick={onLater}>
          Not now
        </Button>
      </div>
      {length !== undefined && <Verdict check={check} mm={length} moves={movesText(moves, say)} />}
      {choices.is === 'trying' && <p className="mt-1 text-sm text-soft">Trying what could be done ...</p>}
      {choices.is === 'failed' && (
        <p className="mt-1 text-sm text-soft">
          What else could be done could not be tried. The measure can be taken all the same.
        </p>
      )}
      {all.length > 0 && <Ways choices={all} chosen={chosen} onChoose={setChosen} say={say} />}
    </section>
  );
}

interface VerdictProps {
  readonly check: Check;
  readonly mm: number;
  /** What it does to the bag. */
  readonly moves: string;
}

/** The measure in a word, and what follows from it. */
function Verdict({ check, mm: length, moves }: VerdictProps) {
  const { is, percent } = checkVerdict(check, length);
  const taped = check.what.of === 'tape';
  return (
    <p role="status" className="mt-2">
      <b>
        {is === 'as expected' ? 'As expected.' : `${Math.abs(percent).toFixed(1)} % ${is} than expected.`}
      </b>{' '}
      {taped
        ? 'It is kept in the log.'
        : moves === ''
          ? 'The bag stays as large as it was planned.'
          : `With it the bag changes: ${moves}.`}
    </p>
  );
}

interface WaysProps {
  readonly choices: readonly CheckChoice[];
  readonly chosen: number;
  readonly onChoose: (at: number) => void;
  readonly say: (mm: number) => string;
}

/** What could be done, each with what the bag is then against what it was planned to be; of the measure alone that is said above. */
function Ways({ choices, chosen, onChoose, say }: WaysProps) {
  const name = useId();
  return (
    <fieldset className="mt-2 flex flex-col gap-1">
      <legend className="text-sm font-medium">What could be done, tried on the plan</legend>
      {choices.map(({ change, moves }, i) => (
        <label
          key={changeText(change)}
          className="flex min-h-11 cursor-pointer items-center gap-2 rounded-sm border border-line px-2 py-1 has-checked:border-kingfisher has-checked:bg-kingfisher-pale"
        >
          <input type="radio" name={name} checked={i === chosen} onChange={() => onChoose(i)} />
          <span>
            <span className="block font-medium">{changeText(change)}</span>
            {change.by !== 'nothing' && (
              <span className="block text-sm text-soft">
                {moves.length === 0
                  ? 'The bag comes out as it was planned.'
                  : `Against the plan ${movesText(moves, say)}.`}
              </span>
            )}
          </span>
        </label>
      ))}
    </fieldset>
  );
}
