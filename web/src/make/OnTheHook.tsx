import {
  alongFace,
  chainFor,
  type PieceTask,
  type Plan,
  rowsOf,
  rowWords,
  type Work,
  yarnOf,
} from '@fennot/core';
import { useMemo, useState } from 'react';
import { useSettings } from '../api/queries.ts';
import { useBagId } from '../open-bag/bag-id.ts';
import { Button } from '../ui/Button.tsx';
import { AlongFaceBar } from './AlongFaceBar.tsx';
import { buzz } from './awake.ts';
import { Counter } from './Counter.tsx';
import type { Making } from './log/use-logbook.ts';
import { RipModal } from './RipModal.tsx';
import { SmallNet } from './show/SmallNet.tsx';
import { WorkPicture } from './show/WorkPicture.tsx';
import { markText, rowName } from './show/words.ts';

interface OnTheHookProps {
  readonly plan: Plan;
  readonly task: PieceTask;
  readonly work: Work;
  readonly making: Making;
  readonly others: readonly Work[];
  readonly onOther: (work: string) => void;
}

/** The row that is worked now, what comes after it, and the counter. */
export function OnTheHook({ plan, task, work, making, others, onOther }: OnTheHookProps) {
  const { terms } = useSettings();
  const [ripping, setRipping] = useState(false);
  const rows = useMemo(() => rowsOf(plan, task), [plan, task]);
  const row = rows[work.rows];
  const next = rows[work.rows + 1];
  const colour = (id: string) => yarnOf(plan.document, id).colourName;
  const along = useMemo(() => alongFace(plan, task, work), [plan, task, work]);
  const base = `/bags/${useBagId() ?? ''}`;
  const chain = work.rows === 0 ? chainFor(plan, task) : undefined;
  const done = () => {
    if (row) making.does({ of: 'row', work: work.id, row: row.number });
    // A marker to put in now; another colour, or the last row, to come.
    if (row && row.marks.length > 0) buzz(80, 60, 80);
    else if (next && (next.changes || next.number === task.rows)) buzz(60);
    if (!next) making.does({ of: 'finished', work: work.id, rows: Math.max(task.rows, work.rows) });
  };
  return (
    <>
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_84px] gap-x-3 gap-y-1 overflow-y-auto px-4 py-3">
        <div className="flex min-w-0 flex-col gap-2">
          {others.length > 1 && <Others works={others} shown={work} onShow={onOther} />}
          {row ? (
            <>
              <h2 className="text-2xl">
                {rowName(task, row)}
                <Yarn
                  name={colour(row.yarn)}
                  colour={yarnOf(plan.document, row.yarn).colour}
                  fresh={row.changes}
                />
              </h2>
              {chain && (
                <p className="text-base text-soft">
                  Chain {chain.chains}; the first stitch goes into chain {chain.firstIn} from the hook.
                </p>
              )}
              <p className="text-lg leading-snug">{rowWords(row, terms)}</p>
              {row.stitches !== undefined && row.instructions && (
                <p className="font-tape text-sm text-soft">{row.stitches} stitches</p>
              )}
              {row.marks.map((mark) => (
                <p key={mark.is} className="border-l-4 border-marigold pl-2 font-medium">
                  {markText(mark)}
                </p>
              ))}
            </>
          ) : (
            <h2 className="text-2xl">All {task.rows} are worked</h2>
          )}
          {along && (
            <AlongFaceBar
              along={along}
              rows={work.rows}
              base={base}
              onCorner={() => void making.does({ of: 'marked', work: work.id, row: work.rows })}
            />
          )}
          <p className="text-sm text-soft">
            {next
              ? `Then ${rowName(task, next).toLowerCase()}${next.changes ? `, in ${colour(next.yarn)}` : ''}${next.marks.length > 0 ? ', with a marker after it' : ''}.`
              : 'It is the last one: with it the piece is off the hook.'}
          </p>
        </div>
        <div className="flex flex-col gap-2">
          <WorkPicture plan={plan} task={task} done={work.rows} className="aspect-square w-full" />
          <SmallNet plan={plan} pieces={new Set(task.pieces)} className="max-h-24 w-full" />
        </div>
      </div>
      <div className="flex items-center gap-2 px-4 pb-2">
        <Button className="min-h-11" disabled={work.rows === 0} onClick={() => setRipping(true)}>
          Rip back ...
        </Button>
        {task.many > 1 && others.length === 1 && (
          <Button
            className="min-h-11"
            onClick={() => void making.does({ of: 'begun', task: task.id, rows: task.rows })}
          >
            Begin another beside it
          </Button>
        )}
      </div>
      <Counter
        label={row ? `${rowName(task, row)} is done` : 'It is off the hook'}
        number={row ? String(row.number) : '✓'}
        under={row ? `of ${task.rows}: press when it is done` : 'press when it is off the hook'}
        onPress={done}
      />
      {ripping && (
        <RipModal
          rows={work.rows}
          counts={task.counts}
          onClose={() => setRipping(false)}
          onRip={(to) => {
            making.does({ of: 'ripped', work: work.id, to });
            setRipping(false);
          }}
        />
      )}
    </>
  );
}

/** Which yarn, as a dot of its colour; a change of it stands out. */
function Yarn({
  name,
  colour,
  fresh,
}: {
  readonly name: string;
  readonly colour: string;
  readonly fresh: boolean;
}) {
  return (
    <span
      className={`ml-3 inline-flex items-center gap-1.5 rounded-full align-middle font-sans text-base font-medium ${fresh ? 'bg-marigold-pale px-2.5 py-0.5' : ''}`}
    >
      <span
        aria-hidden="true"
        className="size-4 rounded-full border border-line"
        style={{ backgroundColor: colour }}
      />
      {fresh ? `change to ${name}` : name}
    </span>
  );
}

interface OthersProps {
  readonly works: readonly Work[];
  readonly shown: Work;
  readonly onShow: (work: string) => void;
}

/** Several of a kind under way. */
const Others = ({ works, shown, onShow }: OthersProps) => (
  <fieldset className="flex flex-wrap gap-1.5" aria-label="On the hook">
    {works.map(({ id, rows }, i) => (
      <button
        key={id}
        type="button"
        aria-pressed={id === shown.id}
        onClick={() => onShow(id)}
        className="min-h-11 min-w-11 rounded-sm border border-line bg-card px-2 text-sm aria-pressed:border-kingfisher aria-pressed:bg-kingfisher-pale"
      >
        {i === 0 ? 'last worked' : `another`}: {rows}
      </button>
    ))}
  </fieldset>
);
