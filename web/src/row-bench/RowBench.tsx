import {
  type BagDocument,
  flatnessText,
  formatLength,
  type Panel,
  panelPiece,
  sizeTable,
  swatchOf,
  yarnOfSwatch,
} from '@fennot/core';
import { useEffect, useMemo, useState } from 'react';
import { useSettings } from '../api/queries.ts';
import type { BagStore } from '../open-bag/store.ts';
import { PieceDrawing } from './PieceDrawing.tsx';
import { RowEditor } from './RowEditor.tsx';
import { withPanel } from './with-panel.ts';

interface RowBenchProps {
  readonly document: BagDocument;
  readonly store: BagStore;
  readonly panel: Panel;
  /** Is given what puts the rows into the plan at once, and says why where it cannot. */
  readonly leave: { current: () => string | undefined };
}

/** After so long without a key the rows go into the plan, ms. */
const PAUSE = 400;

/** Rows as text on the left, each with its counts; the piece they make on the right. */
export default function RowBench({ document, store, panel, leave }: RowBenchProps) {
  const { system } = useSettings();
  const [text, setText] = useState(panel.rows);
  const [line, setLine] = useState(0);
  const [refusal, setRefusal] = useState<string | undefined>(undefined);
  const swatch = swatchOf(document, panel.swatch);
  const table = useMemo(() => sizeTable(document), [document]);
  const { program: counted, piece } = useMemo(() => {
    const sizes = { pitch: table.pitch(swatch.id).value, row: table.row(swatch.id).value };
    return panelPiece({ rows: text, terms: panel.terms }, swatch, sizes);
  }, [text, panel.terms, swatch, table]);
  const put = () => {
    const why =
      text === panel.rows ? undefined : store.getState().change(withPanel(panel.id, { rows: text }));
    setRefusal(why);
    return why;
  };
  leave.current = put;
  // What is typed goes into the plan at a pause, and when the bench is left.
  // biome-ignore lint/correctness/useExhaustiveDependencies: a pause begins with each key
  useEffect(() => {
    const timer = setTimeout(() => leave.current(), PAUSE);
    return () => clearTimeout(timer);
  }, [text]);
  const lit = counted.rows.find((row) => row.line === line)?.number;
  const colour = yarnOfSwatch(document, swatch.id).colour;
  const round = counted.rows.some((row) => row.round);
  const what = round ? 'round' : 'row';
  const measured = piece
    ? `Widest at ${what} ${piece.widest.row}: ${formatLength(piece.widest.width, system)}; ${formatLength(piece.height, system)} high. ${flatnessText(piece.flatness, round)}`
    : 'There are no rows yet.';
  return (
    <div className="grid h-[68vh] min-h-0 gap-3 max-sm:grid-rows-[1fr_1fr] sm:grid-cols-[3fr_2fr]">
      <div className="flex min-h-0 flex-col gap-2">
        <div className="min-h-0 grow">
          <RowEditor
            label={`Rows of ${panel.name}`}
            text={text}
            counted={counted}
            onType={setText}
            onLine={setLine}
          />
        </div>
        <div role="status" className="max-h-28 shrink-0 overflow-auto text-xs">
          {refusal && <p className="text-loosestrife">{refusal} It stays here as it is typed.</p>}
          {counted.problems.length === 0 ? (
            <p className="text-reed">
              {counted.rows.length} {counted.rows.length === 1 ? what : `${what}s`}, all of it comes out.
            </p>
          ) : (
            <ul className="flex flex-col gap-0.5 text-loosestrife">
              {counted.problems.map(({ line: at, span, row, message }) => (
                <li key={[at, span.from, row, message].join(' ')}>
                  Line {at + 1}: {message}
                </li>
              ))}
            </ul>
          )}
        </div>
      </div>
      <figure className="flex min-h-0 flex-col rounded-sm bg-table p-2">
        <div className="min-h-0 grow">
          {piece && (
            <PieceDrawing
              piece={piece}
              colour={colour}
              lit={lit}
              label={`${panel.name}, laid flat. ${measured}`}
            />
          )}
        </div>
        <figcaption className="pt-1 text-xs text-soft">{measured}</figcaption>
      </figure>
    </div>
  );
}
