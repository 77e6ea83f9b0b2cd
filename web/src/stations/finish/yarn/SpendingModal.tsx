import { type Enough, type Plan, runsOut, type SpendingStep, wholeYarn, yarnOf } from '@fennot/core';
import { lazy, Suspense } from 'react';
import { useSettings } from '../../../api/queries.ts';
import { Modal } from '../../../ui/Modal.tsx';

const SpendingChart = lazy(() => import('./SpendingChart.tsx'));

interface SpendingModalProps {
  readonly plan: Plan;
  readonly spending: readonly SpendingStep[];
  readonly all: readonly Enough[];
  readonly onClose: () => void;
}

/** What is left of each yarn along the work, step by step: as curves, and as a list. */
export function SpendingModal({ plan, spending, all, onClose }: SpendingModalProps) {
  const { system } = useSettings();
  const { document } = plan;
  const aside = all.filter(({ basket }) => basket.lots.length > 0);
  return (
    <Modal
      title="Yarn along the work"
      about={
        aside.length > 0
          ? 'What is left of what is set aside, after each step. Below the line there is none.'
          : 'How much has been taken after each step. Set yarn aside to see how far it goes.'
      }
      wide="most"
      open
      onClose={onClose}
    >
      <Suspense fallback={<p className="text-soft">Drawing ...</p>}>
        <SpendingChart document={document} spending={spending} all={all} />
      </Suspense>
      <ol aria-label="Step by step" className="mt-3 flex flex-col divide-y divide-line text-sm">
        {spending.map(({ operation, what, many, takes, taken }, i) => (
          <li
            key={`${operation} ${what} ${i}`}
            className="grid grid-cols-[2rem_16rem_1fr] gap-2 py-1 max-sm:grid-cols-[2rem_1fr]"
          >
            <span className="text-soft tabular-nums">{i + 1}</span>
            <span className="min-w-0">
              {many > 1 && `${many} × `}
              {what}
            </span>
            <span className="flex flex-wrap gap-x-4 max-sm:col-start-2">
              {[...takes].map(([id, mm]) => {
                const own = all.find(({ yarn }) => yarn === id);
                const { colour, colourName } = yarnOf(document, id);
                const there = own && own.basket.lots.length > 0;
                const left = (own?.basket.length ?? 0) - (taken.get(id) ?? 0);
                const ends = own && there && runsOut(spending, own.basket)?.step === i;
                return (
                  <span key={id} className="inline-flex items-center gap-1.5 tabular-nums">
                    <span
                      className="size-2.5 rounded-full border border-ink/30"
                      style={{ background: colour }}
                    />
                    {colourName} −{wholeYarn(mm, system)}
                    {there && (
                      <span className={left < 0 ? 'font-semibold text-loosestrife' : 'text-soft'}>
                        {left < 0
                          ? `${ends ? 'ends here, ' : ''}${wholeYarn(-left, system)} short`
                          : `${wholeYarn(left, system, { spare: true })} left`}
                      </span>
                    )}
                  </span>
                );
              })}
            </span>
          </li>
        ))}
      </ol>
    </Modal>
  );
}
