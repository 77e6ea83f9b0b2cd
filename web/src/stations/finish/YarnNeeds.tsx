import {
  allowancesSchema,
  type BagDocument,
  ballSchema,
  boundsOf,
  inBalls,
  USUAL_RIPPING,
  wholeYarn,
  type Yarn,
  type YarnNeed,
  type YarnPart,
  yarnOf,
} from '@fennot/core';
import { useSettings } from '../../api/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { NumberField } from '../../ui/fields.tsx';
import { Row, Section } from '../../ui/Section.tsx';
import { tell } from '../../ui/tell.ts';
import type { StationProps } from '../station.ts';

/** What yarn goes into, as it is called, and how strongly it is drawn in a bar. */
const PARTS: Record<YarnPart, { readonly name: string; readonly shade: number }> = {
  motifs: { name: 'motifs', shade: 1 },
  panels: { name: 'panels', shade: 1 },
  tails: { name: 'tails', shade: 0.45 },
  edge: { name: 'edge', shade: 0.8 },
  straps: { name: 'straps', shade: 0.65 },
  closure: { name: 'closure', shade: 0.55 },
  cord: { name: 'cord', shade: 0.7 },
  joins: { name: 'joins', shade: 0.6 },
  swatches: { name: 'swatches', shade: 0.35 },
  ripping: { name: 'ripped back', shade: 0.25 },
};

/** A ball until its maker says how much is on it. */
const USUAL_BALL = { grams: 50, metres: 100 };

/** How much of each yarn the bag takes, of what, in metres, grams and balls. */
export function YarnNeeds({ plan, store }: StationProps) {
  const { document, tally } = plan;
  const { needs } = tally.effort;
  const { change } = store.getState();
  const most = Math.max(...needs.map(({ high }) => high), 1);
  const { ripping = USUAL_RIPPING, swatches = true } = document.allowances ?? {};
  const allow = (fields: BagDocument['allowances']) =>
    change((doc) => ({ ...doc, allowances: { ...doc.allowances, ...fields } }));
  return (
    <Section title="Yarn">
      <p className="text-xs text-soft">
        Estimated from gauge and stitch: nine times in ten it comes to what stands in brackets.
      </p>
      <ul className="flex flex-col gap-3" aria-label="Yarn by colour">
        {needs.map((need) => (
          <Need
            key={need.yarn}
            need={need}
            yarn={yarnOf(document, need.yarn)}
            most={most}
            onBall={(ball) =>
              change((doc) => ({
                ...doc,
                yarns: doc.yarns.map((one) => (one.id === need.yarn ? { ...one, ball } : one)),
              }))
            }
          />
        ))}
      </ul>
      <Row>
        <NumberField
          label="Ripped back, of what is worked"
          name="ripped back"
          value={ripping}
          suffix="%"
          bounds={boundsOf(allowancesSchema.shape.ripping.unwrap())}
          onChange={(value) => allow({ ripping: value })}
        />
        <label className="flex items-center gap-2 pt-5 text-sm">
          <input
            type="checkbox"
            checked={swatches}
            onChange={(event) => tell(allow({ swatches: event.target.checked ? undefined : false }))}
            className="size-4 accent-kingfisher"
          />
          Swatches are of this yarn
        </label>
      </Row>
    </Section>
  );
}

interface NeedProps {
  readonly need: YarnNeed;
  readonly yarn: Yarn;
  /** mm that a whole bar stands for. */
  readonly most: number;
  readonly onBall: (ball: Yarn['ball']) => string | undefined;
}

/** One yarn: its bar by part, its figures, and what a ball of it holds. */
function Need({ need, yarn, most, onBall }: NeedProps) {
  const { system } = useSettings();
  const { ball } = yarn;
  const length = (mm: number) => wholeYarn(mm, system);
  const balls = ball && inBalls(need, ball);
  return (
    <li aria-label={yarn.colourName}>
      <p className="flex flex-wrap items-baseline gap-x-2 text-sm">
        <b>{yarn.colourName}</b>
        <span className="tabular-nums" data-testid="yarn-need">
          {length(need.length)}{' '}
          <span className="text-soft">
            ({length(need.low)} to {length(need.high)})
          </span>
        </span>
        {balls && (
          <span className="tabular-nums text-soft">
            about {Math.ceil(balls.grams)} g, {balls.balls} {balls.balls === 1 ? 'ball' : 'balls'}
          </span>
        )}
      </p>
      <div className="mt-1 flex h-4 overflow-hidden rounded-sm border border-line bg-table" aria-hidden>
        {need.parts.map(({ part, length: mm }) => (
          <span
            key={part}
            title={`${PARTS[part].name}: ${length(mm)}`}
            className="h-full border-r border-card/60 last:border-r-0"
            style={{
              width: `${(100 * mm) / most}%`,
              background: `color-mix(in oklab, ${yarn.colour} ${100 * PARTS[part].shade}%, var(--card))`,
            }}
          />
        ))}
      </div>
      <details className="mt-0.5 text-xs text-soft">
        <summary className="cursor-pointer">
          {need.parts.map(({ part, length: mm }) => `${PARTS[part].name} ${length(mm)}`).join(', ')}
        </summary>
        <ul className="mt-1 flex max-h-40 flex-col gap-0.5 overflow-y-auto pl-3">
          {need.uses.map(({ part, what, length: mm }, i) => (
            <li key={`${part} ${what} ${i}`} className="flex justify-between gap-2">
              <span>{what}</span>
              <span className="tabular-nums">{length(mm)}</span>
            </li>
          ))}
        </ul>
        <div className="mt-1">
          {ball ? (
            <Row>
              <NumberField
                label="A ball weighs"
                name="the weight of a ball"
                value={ball.grams}
                suffix="g"
                bounds={boundsOf(ballSchema.shape.grams)}
                onChange={(grams) => onBall({ ...ball, grams })}
              />
              <NumberField
                label="and is long"
                name="the length of a ball"
                value={ball.metres}
                suffix="m"
                bounds={boundsOf(ballSchema.shape.metres)}
                onChange={(metres) => onBall({ ...ball, metres })}
              />
            </Row>
          ) : (
            <Button small onClick={() => onBall(USUAL_BALL)}>
              What a ball holds
            </Button>
          )}
        </div>
      </details>
    </li>
  );
}
