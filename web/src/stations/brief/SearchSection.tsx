import { type Found, formatLength, type Plan, piecesText, planOf, wantedOf } from '@fennot/core';
import { Search, Square } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useSettings } from '../../api/queries.ts';
import { MadeUpPicture } from '../../madeup/MadeUpPicture.tsx';
import { CORNER, FRONT } from '../../madeup/project.ts';
import { Button } from '../../ui/Button.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { useSearch } from './use-search.ts';

/** Looks for bags that reach the target, and shows a few of different kinds to pick from. */
export function SearchSection({ plan, store }: StationProps) {
  const { document } = plan;
  const { state, begin, stop } = useSearch();
  const [panels, setPanels] = useState(false);
  const wanted = wantedOf(document);
  const progress = state.is === 'idle' ? undefined : state.progress;
  const answers = progress?.answers ?? [];
  const reached = answers.some((answer) => answer.reached);
  return (
    <Section title="Ways to get there">
      {wanted.length === 0 ? (
        <p className="text-sm text-soft">Set a width, height or depth first.</p>
      ) : (
        <>
          <div className="flex items-center gap-3">
            {state.is === 'searching' ? (
              <Button onClick={stop}>
                <Square size={13} /> Stop
              </Button>
            ) : (
              <Button look="main" onClick={() => begin(document, panels)}>
                <Search size={15} /> Look for bags of this size
              </Button>
            )}
          </div>
          {document.motifs.length > 0 && (
            <label className="flex items-center gap-2 text-sm">
              <input
                type="checkbox"
                checked={panels}
                onChange={(event) => setPanels(event.target.checked)}
                className="size-4 accent-kingfisher"
              />
              Worked panels too, not only squares
            </label>
          )}
        </>
      )}
      {progress && (
        <p className="text-xs text-soft" role="status" aria-label="Search">
          {progress.seen.toLocaleString('en')} bags looked at
          {state.is === 'done' ? '.' : ' ...'}{' '}
          {state.is === 'done' &&
            !reached &&
            'None reaches the target with these squares: the nearest are shown, with what would have to give.'}
        </p>
      )}
      <ul className="grid grid-cols-2 gap-2">
        {answers.map((found) => (
          <Answer
            key={JSON.stringify(found.construction)}
            found={found}
            plan={plan}
            onPick={() =>
              store.getState().change((doc) => ({
                ...doc,
                construction: found.construction,
                joins: { ...doc.joins, method: found.method },
              }))
            }
          />
        ))}
      </ul>
    </Section>
  );
}

interface AnswerProps {
  readonly found: Found;
  readonly plan: Plan;
  readonly onPick: () => void;
}

/** One answer as a small folded bag with its figures; pressing it puts it on the table. */
function Answer({ found, plan, onPick }: AnswerProps) {
  const { system } = useSettings();
  const { document } = plan;
  const answer = useMemo(
    () =>
      planOf({
        ...document,
        construction: found.construction,
        joins: { ...document.joins, method: found.method },
      }),
    [document, found],
  );
  const { width, height, depth } = found.size;
  const sizes = [width, height, ...(depth > 1 ? [depth] : [])].map((length) => formatLength(length, system));
  const misses = wantedOf(document).flatMap(({ measure, value, tolerance }) => {
    const off = found.size[measure] - value;
    return Math.abs(off) <= tolerance
      ? []
      : [`${measure} ${formatLength(Math.abs(off), system)} ${off < 0 ? 'small' : 'large'}`];
  });
  const made = `${piecesText(answer.tally)}${roundsOf(answer)}`;
  const now = JSON.stringify(document.construction) === JSON.stringify(found.construction);
  return (
    <li>
      <button
        type="button"
        onClick={onPick}
        aria-pressed={now}
        className={`flex h-full w-full flex-col rounded-sm border p-1.5 text-left text-xs ${
          now ? 'border-kingfisher bg-kingfisher-pale' : 'border-line hover:border-kingfisher'
        }`}
      >
        <MadeUpPicture
          plan={answer}
          view={depth > 5 ? CORNER : FRONT}
          label={`${answer.familyName}, made up`}
          className="h-24 w-full rounded-sm bg-table p-1"
        />
        <span className="mt-1 text-sm font-semibold">{answer.familyName}</span>
        <span>{sizes.join(' × ')}</span>
        <span>{made}</span>
        <span>{answer.tally.pieceEnds + answer.tally.joinEnds} ends to hide</span>
        <span className={misses.length === 0 ? 'font-semibold text-reed' : 'font-semibold text-loosestrife'}>
          {misses.length === 0 ? '✓ reaches' : `✗ ${misses.join(', ')}`}
        </span>
      </button>
    </li>
  );
}

function roundsOf({ graph }: Plan): string {
  const rounds = graph.pieces.flatMap(({ make }) => (make.of === 'motif' ? [make.rounds] : []))[0];
  return rounds === undefined ? '' : `, ${rounds} rounds`;
}
