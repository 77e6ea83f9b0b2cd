import { FAMILIES, type FamilyId, type Found, searchable, usuallySearched, wantedOf } from '@fennot/core';
import { Scale, Search, Square } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Modal } from '../../ui/Modal.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { Answer } from './Answer.tsx';
import { answerPlan, keyOf, onTable } from './answer-facts.ts';
import { Compare } from './Compare.tsx';
import { useSearch } from './use-search.ts';

/** So many answers can be held side by side. */
const MOST_KEPT = 3;

/** Looks for bags that reach the target, and shows a few of different kinds to pick from. */
export function SearchSection({ plan, store }: StationProps) {
  const { document } = plan;
  const { state, begin, stop } = useSearch();
  const [panels, setPanels] = useState(false);
  const offered = searchable(document);
  const usual = usuallySearched(document);
  // Nothing chosen yet: what is usually searched, also when that changes with the bag on the table.
  const [chosen, setChosen] = useState<readonly FamilyId[]>();
  const allowed = offered.filter((id) => (chosen ?? usual).includes(id));
  const toggle = (id: FamilyId) =>
    setChosen(allowed.includes(id) ? allowed.filter((one) => one !== id) : [...allowed, id]);
  const wanted = wantedOf(document);
  const progress = state.is === 'searching' || state.is === 'done' ? state.progress : undefined;
  const found = progress?.answers;
  const answers = useMemo(
    () =>
      (found ?? []).flatMap((one) => {
        const answer = answerPlan(document, one);
        return answer ? [{ found: one, answer }] : [];
      }),
    [found, document],
  );
  const reached = answers.some((one) => one.found.reached);
  const [kept, setKept] = useState<readonly Found[]>([]);
  const [comparing, setComparing] = useState(false);
  const pick = (one: Found) => store.getState().change((doc) => onTable(doc, one));
  const keep = (found: Found) =>
    setKept(
      kept.some((one) => keyOf(one) === keyOf(found))
        ? kept.filter((one) => keyOf(one) !== keyOf(found))
        : [...kept, found].slice(-MOST_KEPT),
    );
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
              <Button
                look="main"
                onClick={() => begin(document, panels, allowed)}
                disabled={allowed.length === 0}
              >
                <Search size={15} /> Look for bags of this size
              </Button>
            )}
          </div>
          <details className="text-sm">
            <summary className="cursor-pointer text-soft hover:text-kingfisher">
              {allowed.length === offered.length
                ? 'All ways of building'
                : `${allowed.length} of ${offered.length} ways of building`}
            </summary>
            <div className="mt-1 grid grid-cols-2 gap-x-2 gap-y-1">
              {FAMILIES.filter(({ id }) => offered.includes(id)).map(({ id, name }) => (
                <label key={id} className="flex items-center gap-2">
                  <input
                    type="checkbox"
                    checked={allowed.includes(id)}
                    onChange={() => toggle(id)}
                    className="size-4 accent-kingfisher"
                  />
                  {name}
                </label>
              ))}
            </div>
          </details>
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
      {state.is === 'failed' && (
        <p role="alert" className="text-sm text-loosestrife">
          {state.why}
        </p>
      )}
      {kept.length > 1 && (
        <Button onClick={() => setComparing(true)} className="self-start">
          <Scale size={14} /> Compare {kept.length} side by side
        </Button>
      )}
      <ul className="grid grid-cols-2 gap-2">
        {answers.map(({ found, answer }) => (
          <Answer
            key={keyOf(found)}
            found={found}
            document={document}
            answer={answer}
            kept={kept.some((one) => keyOf(one) === keyOf(found))}
            onPick={() => pick(found)}
            onKeep={() => keep(found)}
          />
        ))}
      </ul>
      <Modal open={comparing} onClose={() => setComparing(false)} title="Side by side" wide>
        <Compare
          plan={plan}
          kept={kept}
          onPick={(one) => {
            const refusal = pick(one);
            if (refusal === undefined) setComparing(false);
            return refusal;
          }}
        />
      </Modal>
    </Section>
  );
}
