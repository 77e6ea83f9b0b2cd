import {
  type BagDocument,
  firstSwatch,
  freeAfter,
  JOIN_METHODS,
  joinMethod,
  methodName,
  type Plan,
  SCHOOLS,
  type School,
  schoolAbout,
  schoolName,
  yarnLength,
  yarnOf,
  yarnOfSwatch,
} from '@fennot/core';
import { useSettings } from '../../api/queries.ts';
import { Cards } from '../../ui/Cards.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Row, Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { LastSeam } from './LastSeam.tsx';
import { LineMethods } from './LineMethods.tsx';
import { MethodDrawing } from './MethodDrawing.tsx';
import { StepList } from './StepList.tsx';

/** The joins: by which method, in which order, step by step. */
export function JoinsStation({ plan, store }: StationProps) {
  const { terms, system } = useSettings();
  const { joins, yarns } = plan.document;
  const set = (fields: Partial<BagDocument['joins']>) =>
    store.getState().change((doc) => ({ ...doc, joins: { ...doc.joins, ...fields } }));
  const method = joinMethod(joins.method);
  const most = Math.max(...plan.schools().map(({ ends }) => ends));
  return (
    <>
      <Section title="Method">
        <Row>
          <Choice
            label="Joined by"
            value={joins.method}
            options={JOIN_METHODS.map((id) => ({ value: id, label: methodName(id, terms) }))}
            onChange={(id) => set({ method: id })}
          />
          <Choice
            label="Yarn"
            value={joins.yarn}
            options={yarns.map(({ id, name, colourName }) => ({
              value: id,
              label: `${name}, ${colourName}`,
            }))}
            onChange={(yarn) => set({ yarn })}
          />
        </Row>
        <MethodDrawing
          method={joins.method}
          edge={yarnOfSwatch(plan.document, firstSwatch(plan.document)).colour}
          yarn={yarnOf(plan.document, joins.yarn).colour}
        />
        <p className="text-xs text-soft">
          {cap(method.looks)}. {cap(method.hold)}; {method.size}; {method.loops}. Good for {method.goodFor}.{' '}
          {method.addsPitches >= 0 ? 'Adds about' : 'Takes about'} {Math.abs(method.addsPitches)} of a stitch
          between two pieces
          {joins.measuredStrip ? ' (your joined strip decides)' : ', until a joined strip is measured'}.
        </p>
      </Section>
      <Section title="Order">
        <Cards
          label="Order of joining"
          className="grid-cols-2"
          value={orderId(plan.joins.school, plan.joins.flatFirst)}
          onChange={(id) => {
            const next = plan.schools().find(({ school, flatFirst }) => orderId(school, flatFirst) === id);
            if (next) set({ school: next.school, flatFirst: next.flatFirst });
          }}
          options={plan.schools().map(({ school, flatFirst, ends, yarn, turns }) => ({
            value: orderId(school, flatFirst),
            title: schoolAbout[school],
            content: (
              <>
                <span className="block min-h-10 leading-5 font-medium">{orderName(school, flatFirst)}</span>
                <span className="whitespace-nowrap text-soft tabular-nums">{ends} ends</span>
                <span className="block whitespace-nowrap text-xs text-soft tabular-nums">
                  {yarnLength(yarn, system)}, {turns} turns
                </span>
                <span className="mt-1 block h-1 rounded-full bg-line">
                  <span
                    className="block h-1 rounded-full bg-kingfisher"
                    style={{ width: `${(100 * ends) / most}%` }}
                  />
                </span>
              </>
            ),
          }))}
        />
        <p className="text-xs text-soft">
          {schoolAbout[SCHOOLS.find((school) => school === joins.school) ?? 'lines']} Joins take about{' '}
          {yarnLength(plan.tally.joinYarn, system)}. No order can do with fewer than{' '}
          {2 * (plan.fewestRuns() + plan.joins.corners.length)} ends.
        </p>
      </Section>
      {joins.school === 'long' && <FreeMeanwhile plan={plan} />}
      <details className="border-b border-line">
        <summary className="cursor-pointer px-4 py-2 text-sm font-medium text-soft hover:text-kingfisher">
          Finer choices: single lines, the last seam
        </summary>
        <LineMethods plan={plan} set={set} />
        <LastSeam plan={plan} set={set} />
      </details>
      <StepList plan={plan} />
    </>
  );
}

/** Which pieces no run has touched yet: they can still be swapped. */
function FreeMeanwhile({ plan }: { readonly plan: Plan }) {
  const free = freeAfter(plan.joins, plan.graph.pieces);
  return (
    <Section title="What lies free meanwhile">
      <ol className="flex flex-col gap-1 text-sm" aria-label="What lies free after each run">
        {plan.joins.runs.map(({ number, title }, i) => {
          const names = (free[i] ?? []).map(({ name }) => name);
          return (
            <li key={number}>
              <b>{number}</b> {title}:{' '}
              <span className="text-soft">
                {names.length === 0 ? 'nothing is free any more' : `still free are ${names.join(', ')}`}
              </span>
            </li>
          );
        })}
      </ol>
    </Section>
  );
}

const cap = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

const orderId = (school: School, flatFirst: boolean) => `${school}${flatFirst ? '' : '-any'}`;

const orderName = (school: School, flatFirst: boolean) =>
  school !== 'fewest'
    ? schoolName[school]
    : flatFirst
      ? 'Fewest ends, flat joins first'
      : 'Fewest ends, any order';
