import { BACK, type BagDocument, contrastOf, FRONT, judged, type Plan, scoreText } from '@fennot/core';
import { lazy, Suspense, useMemo, useState } from 'react';
import { MadeUpPicture } from '../../madeup/MadeUpPicture.tsx';
import { hasWebGl } from '../../madeup/webgl.ts';
import { planFor } from '../../open-bag/plans.ts';
import { Button } from '../../ui/Button.tsx';
import { Modal } from '../../ui/Modal.tsx';

const FilledSideBySide = lazy(() => import('../../filled/FilledSideBySide.tsx'));

/** An arrangement that can be looked at beside others. */
export interface Compared {
  readonly id: string;
  readonly name: string;
  readonly document: BagDocument;
}

interface CompareModalProps {
  readonly plan: Plan;
  /** Those that are kept. */
  readonly kept: readonly Compared[];
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onTake: (id: string) => void;
}

/** What lies on the table and what is kept beside it: front and back, made up and filled, with their figures. */
export function CompareModal({ plan, kept, open, onClose, onTake }: CompareModalProps) {
  return (
    <Modal
      title="Side by side"
      about="The arrangement on the table and those kept beside it, from the front, from behind and filled"
      wide="most"
      open={open}
      onClose={onClose}
    >
      {open && <Columns plan={plan} kept={kept} onTake={onTake} />}
    </Modal>
  );
}

const SIDES = [
  { view: FRONT, from: 'from the front' },
  { view: BACK, from: 'from behind' },
];

function Columns({ plan, kept, onTake }: Pick<CompareModalProps, 'plan' | 'kept' | 'onTake'>) {
  const [filled, setFilled] = useState(false);
  const plans = useMemo(
    () =>
      kept.flatMap(({ id, name, document }): Array<{ id: string; name: string; plan: Plan }> => {
        const answer = planFor(document);
        return answer.ok ? [{ id, name, plan: answer.plan }] : [];
      }),
    [kept],
  );
  const all = [{ id: undefined, name: 'On the table', plan }, ...plans];
  const columns = { gridTemplateColumns: `repeat(${all.length}, minmax(0, 1fr))` };
  return (
    <div className="flex flex-col gap-3">
      <ul className="grid gap-4" style={columns} aria-label="Arrangements side by side">
        {all.map(({ id, name, plan: own }) => (
          <li key={id ?? 'table'} className="flex min-w-0 flex-col gap-2" aria-label={name}>
            <div className="flex min-h-8 items-center justify-between gap-2">
              <b className="truncate">{name}</b>
              {id !== undefined && (
                <Button small onClick={() => onTake(id)}>
                  Put on the table
                </Button>
              )}
            </div>
            <div className="grid grid-cols-2 gap-1">
              {SIDES.map(({ view, from }) => (
                <MadeUpPicture
                  key={from}
                  plan={own}
                  view={view}
                  label={`${name}, ${from}`}
                  straps={false}
                  className="h-44 w-full rounded-sm bg-table p-1"
                />
              ))}
            </div>
            <p className="text-sm">{figuresOf(own)}</p>
          </li>
        ))}
      </ul>
      {!hasWebGl() ? (
        <p className="text-sm text-soft">This browser cannot draw in three dimensions (no WebGL).</p>
      ) : filled ? (
        <div className="grid h-64 gap-4 [&>*]:min-w-0" style={columns} data-testid="filled-beside">
          <Suspense fallback={<p className="text-sm text-soft">Fetching the third dimension ...</p>}>
            <FilledSideBySide
              plan={plan}
              dressed={all.map(({ id = 'table', name, plan: own }) => ({ id, name, plan: own }))}
            />
          </Suspense>
        </div>
      ) : (
        <Button small className="self-start" onClick={() => setFilled(true)}>
          Fill them all
        </Button>
      )}
    </div>
  );
}

/** Its scores in words, and how far neighbours differ in lightness on average, of black to white. */
function figuresOf(plan: Plan): string {
  const task = plan.arranging();
  const { lightness, least } = contrastOf(task, task.laid);
  const outers = new Set(task.designs.map(({ outer }) => outer)).size > 1;
  const said = scoreText(judged(task, task.laid), outers);
  return least ? `${said}; neighbours differ in lightness by ${Math.round(lightness * 100)} %` : said;
}
