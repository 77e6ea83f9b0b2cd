import {
  ballSchema,
  boundsOf,
  type Enough,
  inBalls,
  type Plan,
  placedLots,
  reachText,
  runsOut,
  runsOutText,
  SHOWS_TEXT,
  type SpendingStep,
  wholeYarn,
  type Yarn,
} from '@fennot/core';
import { useMemo } from 'react';
import { useSettings } from '../../../api/queries.ts';
import { gramsText } from '../../../enough/balls.tsx';
import { ReachMark } from '../../../enough/ReachMark.tsx';
import { Button } from '../../../ui/Button.tsx';
import { NumberField } from '../../../ui/fields.tsx';
import { Row } from '../../../ui/Section.tsx';
import { WeightField } from '../../../ui/WeightField.tsx';
import { NeedBar, PARTS } from './NeedBar.tsx';

/** A ball until its maker says how much is on it. */
const USUAL_BALL = { grams: 50, metres: 100 };

interface ColourNeedProps {
  readonly plan: Plan;
  readonly own: Enough;
  readonly yarn: Yarn;
  readonly spending: readonly SpendingStep[];
  readonly most: number;
  readonly onBall: (ball: Yarn['ball']) => string | undefined;
  readonly onAside: (() => void) | undefined;
  readonly onCures: () => void;
}

/** One yarn: what it goes into, what lies there, where it runs out, and what a ball of it holds. */
export function ColourNeed(props: ColourNeedProps) {
  const { plan, own, yarn, spending, most, onBall, onAside, onCures } = props;
  const { system } = useSettings();
  const { need, basket, is } = own;
  const { ball } = yarn;
  const length = (mm: number) => wholeYarn(mm, system);
  const balls = ball && inBalls(need, ball);
  const aside = basket.lots.length > 0;
  const out = aside && basket.unknown === 0 ? runsOut(spending, basket) : undefined;
  const lots = useMemo(() => placedLots(plan, basket, need.high), [plan, basket, need.high]);
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
          <span className="text-soft tabular-nums">
            about {Math.ceil(balls.grams)} g, {balls.balls} {balls.balls === 1 ? 'ball' : 'balls'}
          </span>
        )}
        {aside && (
          <span className="ml-auto">
            <ReachMark is={is} />
          </span>
        )}
      </p>
      <NeedBar
        need={need}
        colour={yarn.colour}
        there={aside ? basket.length : undefined}
        most={most}
        system={system}
      />
      {aside && (
        <p className="mt-0.5 text-sm" data-testid="yarn-reach">
          {out ? (
            <b className="text-loosestrife">{runsOutText(yarn.colourName, out, system)}</b>
          ) : (
            `${capital(reachText(own, system))}.`
          )}{' '}
          <span className="text-soft">
            Set aside:{' '}
            {basket.lots
              .map(({ dyeLot, grams }) => `${gramsText(grams)}${dyeLot && ` of lot ${dyeLot}`}`)
              .join(', ')}
            .
          </span>
        </p>
      )}
      {lots.length > 1 && (
        <details className="mt-0.5 text-xs text-soft">
          <summary className="cursor-pointer">Two dye lots: which goes where it shows least</summary>
          <ul className="mt-1 flex flex-col gap-1 pl-3">
            {lots.map(({ lot, places }) => (
              <li key={lot.lot}>
                <b>{lot.dyeLot === '' ? 'Lot of a lost band' : `Lot ${lot.dyeLot}`}</b>:{' '}
                {places.length === 0
                  ? 'is not needed'
                  : shown(places)
                      .map(([where, mm]) => `${where} (${length(mm)})`)
                      .join(', ')}
              </li>
            ))}
          </ul>
        </details>
      )}
      <div className="mt-1 flex flex-wrap items-center gap-2">
        {onAside && (
          <Button small onClick={onAside}>
            Set yarn aside
          </Button>
        )}
        {(is === 'short' || is === 'likely') && (
          <Button small look={is === 'short' ? 'main' : 'plain'} onClick={onCures}>
            What helps
          </Button>
        )}
        {own.buy !== undefined && own.buy > 0 && (
          <span className="text-xs text-soft">
            buy {own.buy} {own.buy === 1 ? 'ball' : 'balls'}
            {own.leftThen !== undefined &&
              `, then ${wholeYarn(own.leftThen, system, { spare: true })} are left`}
          </span>
        )}
      </div>
      <details className="mt-0.5 text-xs text-soft">
        <summary className="cursor-pointer">
          {need.parts.map(({ part, length: mm }) => `${PARTS[part].name} ${length(mm)}`).join(', ')}
        </summary>
        <ul className="mt-1 flex max-h-40 flex-col gap-0.5 overflow-y-auto pl-3">
          {need.uses.map(({ part, what, length: mm }) => (
            <li key={`${part} ${what}`} className="flex justify-between gap-2">
              <span>{what}</span>
              <span className="tabular-nums">{length(mm)}</span>
            </li>
          ))}
        </ul>
        <div className="mt-1">
          {ball ? (
            <Row>
              <WeightField
                label="A ball weighs"
                name="the weight of a ball"
                value={ball.grams}
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

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Places by where they show, added up. */
function shown(places: ReturnType<typeof placedLots>[number]['places']): Array<[string, number]> {
  const by = new Map<string, number>();
  for (const { shows, length } of places)
    by.set(SHOWS_TEXT[shows], (by.get(SHOWS_TEXT[shows]) ?? 0) + length);
  return [...by];
}
