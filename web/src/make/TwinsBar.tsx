import {
  formatLength,
  mm,
  type PanelTwin,
  type Parting,
  type PieceTask,
  type Plan,
  panelTwinsOf,
  partingOf,
  type WorkRecord,
} from '@fennot/core';
import { useSettings } from '../api/queries.ts';

interface TwinsBarProps {
  readonly plan: Plan;
  readonly task: PieceTask;
  readonly record: WorkRecord;
}

/** Two faces or two handles side by side, by what was counted and measured, and where they part. */
export function TwinsBar({ plan, task, record }: TwinsBarProps) {
  const { system } = useSettings();
  const twins = panelTwinsOf(plan, task, record);
  const [one, ...others] = twins;
  if (!one || others.length === 0) return null;
  const facts = ({ work, measured }: PanelTwin) =>
    [
      `${work.rows} rows`,
      work.marks.length > 0 ? `markers after ${work.marks.join(', ')}` : '',
      measured ? `${measured.rows} rows measure ${formatLength(mm(measured.mm), system)}` : '',
    ]
      .filter(Boolean)
      .join('; ');
  const partings = others.flatMap((other) =>
    partingOf(one, other).map((parting) => ({ title: other.title, parting })),
  );
  return (
    <section
      aria-label="Twins"
      className="max-h-[30vh] shrink-0 overflow-y-auto border-l-4 border-reed bg-card px-3 py-1.5 text-sm"
    >
      <ul>
        {twins.map((twin) => (
          <li key={twin.work.id}>
            <b className="font-medium">{twin.title}</b>: {facts(twin)}
          </li>
        ))}
      </ul>
      <p className="text-soft">
        {partings.length === 0
          ? 'They should be alike. Lay one on the other: nothing counted so far tells them apart.'
          : `They should be alike. ${partings.map(({ title, parting }) => partingText(title, one.title, parting)).join(' ')}`}
      </p>
    </section>
  );
}

/** Where two that should be alike part. */
function partingText(other: string, one: string, parting: Parting): string {
  switch (parting.is) {
    case 'rows':
      return `${other} has ${parting.other} rows, ${one} ${parting.one}.`;
    case 'marker':
      return `A marker of ${other} lies after row ${parting.other}, that of ${one} after row ${parting.one}.`;
    case 'height':
      return `The rows of ${other} are ${Math.abs(parting.percent).toFixed(1)} % ${parting.percent > 0 ? 'higher' : 'lower'} than those of ${one}.`;
  }
}
