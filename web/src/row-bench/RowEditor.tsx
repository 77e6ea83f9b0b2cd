import { autocompletion, completionKeymap } from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { type Diagnostic, lintGutter, setDiagnostics } from '@codemirror/lint';
import { EditorState, StateEffect, StateField } from '@codemirror/state';
import {
  drawSelection,
  EditorView,
  GutterMarker,
  gutter,
  hoverTooltip,
  keymap,
  lineNumbers,
} from '@codemirror/view';
import type { CountedProgram, Terms } from '@fennot/core';
import { useEffect, useRef } from 'react';
import { completions, rowLanguage } from './row-language.ts';

interface RowEditorProps {
  readonly label: string;
  readonly text: string;
  readonly terms: Terms;
  readonly counted: CountedProgram;
  /** How long a row is, in words, once the shape is found. */
  readonly long: (row: number) => string | undefined;
  readonly onType: (text: string) => void;
  /** The line the cursor is in, from 0. */
  readonly onLine: (line: number) => void;
}

/** What stands beside a line: what its row uses and makes. */
class Counts extends GutterMarker {
  constructor(private readonly text: string) {
    super();
  }
  override eq(other: GutterMarker): boolean {
    return other instanceof Counts && other.text === this.text;
  }
  override toDOM(): Node {
    return document.createTextNode(this.text);
  }
}

const tellCounts = StateEffect.define<ReadonlyMap<number, string>>();
const countsField = StateField.define<ReadonlyMap<number, string>>({
  create: () => new Map(),
  update: (value, { effects }) =>
    effects.reduce((last, effect) => (effect.is(tellCounts) ? effect.value : last), value),
});
const countsGutter = gutter({
  class: 'cm-counts',
  lineMarker: (view, line) => {
    const text = view.state.field(countsField).get(view.state.doc.lineAt(line.from).number - 1);
    return text === undefined ? null : new Counts(text);
  },
  lineMarkerChange: ({ transactions }) =>
    transactions.some(({ effects }) => effects.some((one) => one.is(tellCounts))),
});

const LOOK = EditorView.theme({
  '&': { height: '100%', fontSize: '13px', backgroundColor: 'var(--card)', color: 'var(--ink)' },
  '.cm-scroller': { fontFamily: 'var(--font-mono, monospace)', lineHeight: '1.65' },
  '.cm-content': { caretColor: 'var(--ink)' },
  '.cm-cursor': { borderLeftColor: 'var(--ink)' },
  '&.cm-focused': { outline: '2px solid var(--kingfisher)', outlineOffset: '-2px' },
  '.cm-gutters': {
    backgroundColor: 'var(--ground)',
    color: 'var(--soft)',
    borderRight: '1px solid var(--line)',
  },
  '.cm-counts .cm-gutterElement': {
    padding: '0 8px',
    textAlign: 'right',
    fontVariantNumeric: 'tabular-nums',
  },
  '.cm-activeLine': { backgroundColor: 'var(--kingfisher-pale)' },
  '.cm-lintRange-error': { backgroundImage: 'none', borderBottom: '2px dashed var(--loosestrife)' },
  '.cm-tooltip': { backgroundColor: 'var(--card)', color: 'var(--ink)', border: '1px solid var(--line)' },
  '.cm-row-told': { padding: '4px 8px', fontSize: '12px', maxWidth: '30rem' },
  '.cm-tooltip-autocomplete ul li[aria-selected]': {
    backgroundColor: 'var(--kingfisher-pale)',
    color: 'var(--ink)',
  },
  '.cm-diagnostic-error': { borderLeft: '4px solid var(--loosestrife)' },
});

/** Rows as text, with their counts beside them and what does not come out marked at its place. */
export function RowEditor({ label, text, terms, counted, long, onType, onLine }: RowEditorProps) {
  const place = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | undefined>(undefined);
  const told = useRef({ onType, onLine, terms, counted, long });
  told.current = { onType, onLine, terms, counted, long };
  // biome-ignore lint/correctness/useExhaustiveDependencies: made once; afterwards it holds what is typed
  useEffect(() => {
    if (!place.current) return;
    const made = new EditorView({
      parent: place.current,
      state: EditorState.create({
        doc: text,
        extensions: [
          lineNumbers(),
          countsField,
          countsGutter,
          lintGutter(),
          history(),
          drawSelection(),
          rowLanguage,
          autocompletion({ override: [completions(() => told.current.terms)], icons: false }),
          hoverTooltip((shown, pos) => rowTold(shown, pos, told.current.counted, told.current.long)),
          keymap.of([...completionKeymap, ...defaultKeymap, ...historyKeymap]),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({
            'aria-label': label,
            spellcheck: 'false',
            autocapitalize: 'off',
          }),
          EditorView.updateListener.of((update) => {
            if (update.docChanged) told.current.onType(update.state.doc.toString());
            if (update.docChanged || update.selectionSet)
              told.current.onLine(update.state.doc.lineAt(update.state.selection.main.head).number - 1);
          }),
          LOOK,
        ],
      }),
    });
    view.current = made;
    return () => made.destroy();
  }, []);
  // What is written for the maker, or put into other words, comes from outside.
  useEffect(() => {
    const now = view.current;
    if (!now || now.state.doc.toString() === text) return;
    now.dispatch({ changes: { from: 0, to: now.state.doc.length, insert: text } });
  }, [text]);
  useEffect(() => {
    const now = view.current;
    if (!now) return;
    const { doc } = now.state;
    now.dispatch({ effects: tellCounts.of(countsByLine(counted)) });
    const marks = counted.problems.flatMap(({ line, span, message }): Diagnostic[] => {
      // What was counted may be older than what stands here now.
      if (line >= doc.lines) return [];
      const { from, to } = doc.line(line + 1);
      const [start, end] = [
        Math.min(to, from + span.from),
        Math.min(to, from + Math.max(span.to, span.from + 1)),
      ];
      return [{ from: start, to: end, severity: 'error', message }];
    });
    now.dispatch(setDiagnostics(now.state, marks));
  }, [counted]);
  return <div ref={place} className="h-full min-h-0 overflow-hidden rounded-sm border border-line" />;
}

/** What the row under the pointer uses and makes, how long it is, and where its markers stand. */
function rowTold(
  view: EditorView,
  pos: number,
  { rows }: CountedProgram,
  long: (row: number) => string | undefined,
) {
  const line = view.state.doc.lineAt(pos);
  const own = rows.filter((row) => row.line === line.number - 1);
  const [first] = own;
  if (!first) return null;
  const what = first.round ? 'Round' : 'Row';
  const uses =
    first.available === 0 ? 'begins in a ring' : `uses ${first.uses} of ${first.available ?? first.uses}`;
  const marks = (places: readonly number[], word: string) =>
    places.length === 0
      ? []
      : [
          `${word} at ${places
            .slice(0, SHOWN)
            .map((at) => at + 1)
            .join(', ')}${places.length > SHOWN ? ' ...' : ''}`,
        ];
  const length = long(first.number);
  const text = [
    `${what} ${first.number}${own.length > 1 ? ` and ${own.length - 1} more` : ''}: ${uses}, makes ${first.makes}`,
    ...(length === undefined ? [] : [`${length} ${first.round ? 'round' : 'long'}`]),
    ...marks(first.increases, 'increases'),
    ...marks(first.decreases, 'decreases'),
    ...(first.left > 0 ? [`leaves ${first.left}`] : []),
  ].join('; ');
  return {
    pos: line.from,
    end: line.to,
    above: true,
    create: () => {
      const dom = document.createElement('div');
      dom.className = 'cm-row-told';
      dom.textContent = `${text}.`;
      return { dom };
    },
  };
}
/** So many markers are told. */
const SHOWN = 12;

/** `27 → 28` for each line; of a line that stands for several rows, its first; of one along an edge what it makes. */
function countsByLine({ rows, edges }: CountedProgram): ReadonlyMap<number, string> {
  const lines = new Map(edges.map(({ line, makes }) => [line, `→ ${makes}`]));
  for (const { line, uses, makes } of rows) {
    const own = `${uses} → ${makes}`;
    const first = lines.get(line);
    lines.set(line, first === undefined || first === own ? own : `${first.replace(' …', '')} …`);
  }
  return lines;
}
