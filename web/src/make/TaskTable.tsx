import { FRONT, groupBy, type MakeTask, type Plan, type Stand, seamOfStep, yarnOf } from '@fennot/core';
import { Link } from 'react-router';
import { MadeUpPicture } from '../madeup/MadeUpPicture.tsx';
import type { LogState } from './log/logbook.ts';
import { SmallNet } from './show/SmallNet.tsx';
import { WorkPicture } from './show/WorkPicture.tsx';
import { farText, sizeText } from './show/words.ts';
import { TimeLeft } from './TimeLeft.tsx';

interface TaskTableProps {
  readonly plan: Plan;
  readonly stands: readonly Stand[];
  /** Seams that are joined. */
  readonly joined: ReadonlySet<string>;
  readonly log: Pick<LogState, 'record' | 'events'>;
}

/** The address of a task within the bag's. */
export const atTask = ({ id }: Pick<MakeTask, 'id'>): string => `?${new URLSearchParams({ at: id })}`;

/** What is on the hook, what can be begun, what waits and for what; and the bag as far as it is made. */
export function TaskTable({ plan, stands, joined, log }: TaskTableProps) {
  const of = (...is: readonly Stand['is'][]) => stands.filter((stand) => is.includes(stand.is));
  const [on, ready, waits, done] = [of('under way'), of('can be begun'), of('waits'), of('done', 'settled')];
  const made = { pieces: madePieces(stands), seams: joined };
  const strapped = stands.some(({ task, is }) => task.operation === 'straps' && is === 'done');
  return (
    <div className="flex min-h-0 grow flex-col gap-x-6 overflow-y-auto bg-table lg:grid lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)_minmax(0,1fr)] lg:overflow-hidden">
      <div className="flex flex-col gap-5 px-4 py-4 lg:min-h-0 lg:overflow-y-auto lg:pr-0">
        <Heap title="Under way" plan={plan} stands={on} none="Nothing yet." />
        <Heap
          title="Can be begun"
          plan={plan}
          stands={ready}
          none={on.length > 0 ? 'Nothing else just now.' : 'Nothing.'}
        />
      </div>
      <div className="flex flex-col items-center justify-center px-4 py-2 max-lg:order-first lg:min-h-0">
        <MadeUpPicture
          plan={plan}
          view={FRONT}
          made={made}
          straps={strapped}
          label={`The bag as far as it is made: ${made.pieces.size} of ${plan.graph.pieces.length} pieces`}
          className="max-h-[30vh] w-full lg:max-h-[calc(100%-3rem)]"
        />
        <p className="text-center text-soft">
          {made.pieces.size} of {plan.graph.pieces.length} pieces made
        </p>
        <TimeLeft plan={plan} stands={stands} record={log.record} events={log.events} />
        <Link
          to="?log"
          className="mt-1 grid min-h-11 place-items-center px-3 font-medium text-kingfisher underline"
        >
          Log
        </Link>
      </div>
      <div className="flex flex-col gap-5 px-4 py-4 lg:min-h-0 lg:overflow-y-auto lg:pl-0">
        <Waiting stands={waits} />
        {done.length > 0 && <Heap title={`Done (${done.length})`} plan={plan} stands={done} none="" quiet />}
      </div>
    </div>
  );
}

/** The pieces of the bag that are made: of those alike, as many as there are. */
const madePieces = (stands: readonly Stand[]): ReadonlySet<string> =>
  new Set(stands.flatMap(({ task, done }) => (task.of === 'pieces' ? task.pieces.slice(0, done) : [])));

interface HeapProps {
  readonly title: string;
  readonly plan: Plan;
  readonly stands: readonly Stand[];
  readonly none: string;
  readonly quiet?: boolean;
}

/** Tasks as the pieces they are. */
const Heap = ({ title, plan, stands, none, quiet }: HeapProps) => (
  <section aria-label={title}>
    <h2 className={quiet ? 'text-base text-soft' : 'text-xl'}>{title}</h2>
    {stands.length === 0 && none && <p className="mt-1 text-sm text-soft">{none}</p>}
    <ul className="mt-2 flex flex-wrap gap-x-3 gap-y-3">
      {stands.map((stand) => (
        <li key={stand.task.id}>
          <TaskLink plan={plan} stand={stand} />
        </li>
      ))}
    </ul>
  </section>
);

/** A task as the piece it makes, with how far it is. */
function TaskLink({ plan, stand }: { readonly plan: Plan; readonly stand: Stand }) {
  const { task } = stand;
  const far =
    stand.is === 'settled' ? 'measured' : stand.is === 'can be begun' ? sizeText(task) : farText(stand);
  return (
    <Link
      to={atTask(task)}
      className="flex w-32 flex-col items-center gap-1 rounded-sm p-1.5 text-center hover:bg-card"
    >
      <TaskPicture plan={plan} stand={stand} />
      <span className="text-sm leading-tight font-medium">{task.title}</span>
      {far && <span className="text-xs leading-tight text-soft">{far}</span>}
    </Link>
  );
}

function TaskPicture({ plan, stand: { task, on, is } }: { readonly plan: Plan; readonly stand: Stand }) {
  const size = 'size-16';
  if (task.of === 'pieces')
    return (
      <WorkPicture
        plan={plan}
        task={task}
        done={on[0] && is !== 'done' ? on[0].rows : task.rows}
        className={size}
      />
    );
  if (task.of === 'steps' && task.run !== undefined)
    return <SmallNet plan={plan} now={new Set(task.steps.map(seamOfStep))} className={size} />;
  return <ThreadPicture colour={yarnOf(plan.document, plan.document.joins.yarn).colour} />;
}

/** A threaded needle: for what is done with one, or with neither hook nor needle. */
const ThreadPicture = ({ colour }: { readonly colour: string }) => (
  <svg viewBox="0 0 64 64" aria-hidden="true" className="size-16">
    <path
      d="M8 50c8-14 18 4 24-8s-6-18 2-24 12 2 16-4"
      fill="none"
      stroke={colour}
      strokeWidth={4}
      strokeLinecap="round"
    />
    <path d="M44 22 58 6" stroke="var(--soft)" strokeWidth={3} strokeLinecap="round" />
    <ellipse cx={47} cy={18.5} rx={1.4} ry={3} transform="rotate(41 47 18.5)" fill="var(--table)" />
  </svg>
);

/** What cannot be begun yet, and what for it waits: each reason once. */
function Waiting({ stands }: { readonly stands: readonly Stand[] }) {
  const all = groups(stands);
  if (all.length === 0) return null;
  return (
    <section aria-label="Waits">
      <h2 className="text-xl">Waits</h2>
      {all.map(({ operation, own, more, first }) => (
        <div key={operation} className="mt-2 border-l-2 border-line pl-3">
          <Link
            to={atTask(own.task)}
            className="text-sm font-medium underline-offset-2 hover:text-kingfisher hover:underline"
          >
            {own.task.title}
          </Link>
          {more > 0 && (
            <span className="text-sm"> and {more === 1 ? 'one more' : `${more} more`} after it</span>
          )}
          {first && (
            <p className="text-xs text-soft">
              after “{first.title}”: {first.because}
            </p>
          )}
        </div>
      ))}
    </section>
  );
}

/** What waits by operation: the first of each, and how many more there are. */
function groups(stands: readonly Stand[]) {
  return [...groupBy(stands, ({ task }) => task.operation)].flatMap(([operation, [own, ...more]]) =>
    own ? [{ operation, own, more: more.length, first: own.waits[0] }] : [],
  );
}
