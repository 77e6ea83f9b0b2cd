import { formatLength, inTerms, type Terms, type WrittenRows } from '@fennot/core';
import { type ReactNode, useEffect, useMemo, useState } from 'react';
import { useSettings } from '../api/queries.ts';
import { Choice } from '../ui/Choice.tsx';
import type { Judged } from './judged.ts';
import { PieceDrawing } from './PieceDrawing.tsx';
import { RowEditor } from './RowEditor.tsx';
import { useShape } from './use-shape.ts';

interface RowBenchProps {
  readonly name: string;
  /** What stands in the plan. */
  readonly written: WrittenRows;
  /** What rows come to. */
  readonly judge: (written: WrittenRows) => Judged;
  /** Puts rows into the plan, or says why not. */
  readonly put: (written: WrittenRows) => string | undefined;
  /** Is given what puts the rows into the plan at once, and says why where it cannot. */
  readonly leave: { current: () => string | undefined };
  /** What writes rows by itself, below the editor. */
  readonly help?: (judged: Judged, add: (text: string) => void) => ReactNode;
  /** What is said beside the drawing. */
  readonly beside?: (judged: Judged) => ReactNode;
}

/** After so long without a key the rows go into the plan, ms. */
const PAUSE = 400;

const TERMS: ReadonlyArray<{ readonly value: Terms; readonly label: string }> = [
  { value: 'us', label: 'US terms' },
  { value: 'uk', label: 'UK terms' },
];

/** Rows as text on the left, each with its counts; the piece they make on the right. */
export function RowBench({ name, written, judge, put, leave, help, beside }: RowBenchProps) {
  const { system } = useSettings();
  const [rows, setRows] = useState(written.rows);
  const [terms, setTerms] = useState(written.terms);
  const [line, setLine] = useState(0);
  const [refusal, setRefusal] = useState<string | undefined>(undefined);
  const judged = useMemo(() => judge({ rows, terms }), [rows, terms, judge]);
  const { counted, shape, colour, verdict } = judged;
  const piece = useShape(shape);
  const measured = judged.measured(piece);
  const putNow = () => {
    const same = rows === written.rows && terms === written.terms;
    const why = same ? undefined : put({ rows, terms });
    setRefusal(why);
    return why;
  };
  leave.current = putNow;
  // What is typed goes into the plan at a pause, and when the bench is left.
  // biome-ignore lint/correctness/useExhaustiveDependencies: a pause begins with each key
  useEffect(() => {
    const timer = setTimeout(() => leave.current(), PAUSE);
    return () => clearTimeout(timer);
  }, [rows, terms]);
  const lit = counted.rows.find((row) => row.line === line)?.number;
  const say = (to: Terms) => {
    setRows(inTerms({ rows, terms }, to).rows);
    setTerms(to);
    return undefined;
  };
  const add = (text: string) => setRows(rows.trimEnd() === '' ? `${text}\n` : `${rows.trimEnd()}\n${text}\n`);
  // Of a line that stands for several rows the same is said once.
  const problems = counted.problems.filter(
    ({ line: at, span, message }, i, all) =>
      all.findIndex((one) => one.line === at && one.span.from === span.from && one.message === message) === i,
  );
  return (
    <div className="grid h-[72vh] min-h-0 gap-3 max-sm:grid-rows-[3fr_2fr] sm:grid-cols-[3fr_2fr]">
      <div className="flex min-h-0 flex-col gap-2">
        <div className="flex items-end gap-2">
          <div className="w-36">
            <Choice label="Written in" value={terms} options={TERMS} onChange={say} />
          </div>
          <p className="pb-1 text-xs text-soft">Changing it puts the same rows into the other words.</p>
        </div>
        <div className="min-h-24 grow">
          <RowEditor
            label={`Rows of ${name}`}
            text={rows}
            terms={terms}
            counted={counted}
            long={(row) => {
              const layer = piece?.rows.find(({ layer: one }) => one.number === row)?.layer;
              return layer && formatLength(layer.length, system);
            }}
            onType={setRows}
            onLine={setLine}
          />
        </div>
        <div role="status" className="max-h-24 shrink-0 overflow-auto text-xs">
          {refusal && <p className="text-loosestrife">{refusal} It stays here as it is typed.</p>}
          {problems.length === 0 || verdict.good ? (
            <p className={verdict.good ? 'text-reed' : 'text-loosestrife'}>{verdict.text}</p>
          ) : (
            <ul className="flex flex-col gap-0.5 text-loosestrife">
              {problems.map(({ line: at, span, message }) => (
                <li key={[at, span.from, message].join(' ')}>
                  Line {at + 1}: {message}
                </li>
              ))}
            </ul>
          )}
        </div>
        {help && (
          <div className="flex max-h-[48%] shrink-0 flex-wrap gap-2 overflow-auto">{help(judged, add)}</div>
        )}
      </div>
      <figure className="flex min-h-0 flex-col rounded-sm bg-table p-2">
        <div className="min-h-0 grow">
          {piece && (
            <PieceDrawing piece={piece} colour={colour} lit={lit} label={`${name}, laid flat. ${measured}`} />
          )}
        </div>
        <figcaption className="pt-1 text-xs text-soft">
          {measured}
          {piece && piece.flatness.lies !== 'flat' && (
            <span className="block">
              {piece.flatness.lies === 'cups' ? 'Hatched where it cups.' : 'Waves where it ruffles.'}
            </span>
          )}
        </figcaption>
        {beside?.(judged)}
      </figure>
    </div>
  );
}
