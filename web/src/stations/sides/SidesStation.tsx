import {
  type Construction,
  type Control,
  doublingsOf,
  formatLength,
  type LineMatch,
  type Mark,
  type MarkedEdge,
  type Plan,
  stripCureText,
  stripText,
  stripVerdict,
  takesOf,
  verdictText,
} from '@fennot/core';
import { useState } from 'react';
import { useSettings } from '../../api/queries.ts';
import { usePointed } from '../../drawing/pointed.ts';
import { useControls } from '../../open-bag/hand.ts';
import { Button } from '../../ui/Button.tsx';
import { ControlField } from '../../ui/ControlField.tsx';
import { Section } from '../../ui/Section.tsx';
import type { Outcome } from '../../ui/tell.ts';
import type { StationProps } from '../station.ts';
import { Cures } from './Cures.tsx';
import { PairingDrawing } from './PairingDrawing.tsx';

/** Which edge meets which, with how many loops, and how a strip is marked. */
export function SidesStation({ plan, store }: StationProps) {
  const { point } = usePointed();
  const closing = plan.lines.filter(({ kind }) => kind === 'closing');
  const [chosen, setChosen] = useState<string | undefined>(undefined);
  const worst = [...closing].sort((p, q) => Math.abs(q.ease.percent) - Math.abs(p.ease.percent))[0];
  const line = closing.find((one) => one.line === chosen) ?? worst;
  const strip = plan.marked[0];
  const controls = useControls(plan.document).filter(({ about }) => about === 'side');
  const setConstruction = (construction: Construction) =>
    store.getState().change((doc) => ({ ...doc, construction }));
  return (
    <>
      {strip && <StripSection plan={plan} strip={strip} controls={controls} onChange={setConstruction} />}
      <Section title="What meets what">
        <ul className="flex flex-col gap-1">
          {closing.map((one) => (
            <li key={one.line}>
              <button
                type="button"
                aria-pressed={one.line === line?.line}
                onClick={() => setChosen(one.line)}
                onPointerEnter={() => point({ line: one.line })}
                onPointerLeave={() => point({})}
                className={`flex w-full items-baseline justify-between gap-2 rounded-sm border px-2 py-1 text-left text-sm ${
                  one.line === line?.line
                    ? 'border-kingfisher bg-kingfisher-pale'
                    : 'border-line hover:border-kingfisher'
                }`}
              >
                <span className="font-medium">{one.name}</span>
                <span className="whitespace-nowrap tabular-nums">
                  {one.a.loops} : {one.b.loops} <Verdict line={one} />
                </span>
              </button>
            </li>
          ))}
        </ul>
      </Section>
      {line && <LineSection line={line} />}
      {line && <Cures plan={plan} line={line} onChange={setConstruction} />}
    </>
  );
}

function Verdict({ line }: { readonly line: LineMatch }) {
  const good = line.ease.verdict === 'even' || line.ease.verdict === 'invisible';
  return (
    <span className={`text-xs font-semibold ${good ? 'text-reed' : 'text-loosestrife'}`}>
      {good ? '✓' : '✗'} {line.ease.verdict}
    </span>
  );
}

function LineSection({ line }: { readonly line: LineMatch }) {
  const name = (side: LineMatch['a']) =>
    side.pieces.length > 2 ? `${side.pieces[0]} to ${side.pieces.at(-1)}` : side.pieces.join(', ');
  const takes = takesOf(line);
  const places = doublingsOf(line);
  const doubledSide = line.a.loops > line.b.loops ? line.a : line.b;
  const other = doubledSide === line.a ? line.b : line.a;
  return (
    <Section title={line.name}>
      <p className="text-sm">{verdictText(line)}</p>
      <PairingDrawing takes={takes} a={name(line.a)} b={name(line.b)} />
      {places.length === 0 ? (
        <p className="text-sm">Loop by loop, {takes.length} insertions.</p>
      ) : (
        <p className="text-sm">
          Take two loops of <b>{name(doubledSide)}</b> with one of {name(other)} at insertion{' '}
          {places.length > 14
            ? `${places.slice(0, 6).join(', ')} and so on, ${places.length} times in all`
            : places.join(', ')}
          .
        </p>
      )}
    </Section>
  );
}

interface StripSectionProps {
  readonly plan: Plan;
  readonly strip: MarkedEdge;
  readonly controls: readonly Control<Construction>[];
  readonly onChange: (construction: Construction) => Outcome;
}

function meets({ kind, turn }: Mark, { piece, loop, of }: NonNullable<Mark['partner']>): string {
  switch (kind) {
    case 'start':
    case 'end':
      return `upper end of ${piece}`;
    case 'corner':
      return `${turn === 'in' ? 'inner ' : ''}corner of ${piece}`;
    case 'quarter':
    case 'half':
      return `${piece}, loop ${loop} of ${of}`;
  }
}

/** How a crocheted seam gets round the corners of the way. */
function CornerAdvice({ marks }: { readonly marks: readonly Mark[] }) {
  const turns = new Set(marks.flatMap(({ turn }) => turn ?? []));
  if (turns.size === 0) return null;
  return (
    <p className="text-xs text-soft" data-testid="corner-advice">
      {turns.has('out') && 'A crocheted seam turns a corner with three insertions into it. '}
      {turns.has('in') && 'At an inner corner it takes three together. '}A needle seam goes straight round.
    </p>
  );
}

/** The strip: how long it must be, how long it is, and where its markers go. */
function StripSection({ plan, strip, controls, onChange }: StripSectionProps) {
  const { system } = useSettings();
  const verdict = stripVerdict(strip);
  const { missing, missingByCount } = verdict;
  const fitting = controls.flatMap((control) =>
    control.kind === 'choice' && control.fits !== undefined ? [control.fits.map(control.set)] : [],
  )[0];
  const good = missing === 0 || missingByCount === 0;
  const cures = (['length', 'count'] as const).flatMap((school, i) => {
    const by = school === 'length' ? missing : missingByCount;
    const to = fitting?.[i];
    return by !== 0 && to ? [{ school, by, to }] : [];
  });
  const what = strip.counts;
  const faces = [
    ...new Set(plan.graph.pieces.filter(({ id }) => id !== strip.piece).map(({ cell }) => cell.sheet)),
  ];
  return (
    <Section title={strip.name}>
      <p className="text-sm" data-testid="strip-verdict">
        The way is <b>{formatLength(strip.wayLength, system)}</b>; the strip is{' '}
        <b>{formatLength(strip.length, system)}</b>, {strip.total} {what}.{' '}
        <b className={good ? 'text-reed' : 'text-loosestrife'}>{stripText(verdict, what)}</b>
      </p>
      {cures.length > 0 && (
        <div className="flex flex-wrap gap-1.5">
          {cures.map(({ school, by, to }) => (
            <Button key={school} look={good ? 'plain' : 'main'} small onClick={() => onChange(to)}>
              {stripCureText(by, what, school)}
            </Button>
          ))}
        </div>
      )}
      <table className="w-full text-sm">
        <caption className="sr-only">Stitch markers on the strip</caption>
        <thead>
          <tr className="text-left text-xs text-soft">
            <th className="pr-3 font-medium">Marker</th>
            <th className="pr-3 font-medium">after {what === 'rows' ? 'row' : 'stitch'}</th>
            {strip.standing && <th className="pr-3 font-medium">{strip.standing.word} row</th>}
            <th className="font-medium">meets</th>
          </tr>
        </thead>
        <tbody>
          {strip.marks.map((mark, i) => (
            <tr key={i} className="border-t border-line tabular-nums">
              <td className="pr-3">{mark.kind}</td>
              <td className="font-semibold">{mark.count}</td>
              {strip.standing && <td>{mark.standing}</td>}
              <td className="text-soft">{mark.partner ? meets(mark, mark.partner) : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {strip.standing && (
        <p className="text-xs text-soft">
          {strip.standing.total} {strip.standing.word} rows in all: quicker to count than rows.
        </p>
      )}
      {faces.length > 1 && (
        <p className="text-xs text-soft">
          The same markers serve both faces: put them on both edges of the strip.
        </p>
      )}
      <CornerAdvice marks={strip.marks} />
      {controls.map((control) => (
        <ControlField key={control.id} control={control} onChange={onChange} />
      ))}
    </Section>
  );
}
