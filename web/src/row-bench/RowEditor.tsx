import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { type Diagnostic, lintGutter, setDiagnostics } from '@codemirror/lint';
import { EditorState, StateEffect, StateField } from '@codemirror/state';
import { drawSelection, EditorView, GutterMarker, gutter, keymap, lineNumbers } from '@codemirror/view';
import type { CountedProgram } from '@fennot/core';
import { useEffect, useRef } from 'react';

interface RowEditorProps {
  readonly label: string;
  /** What stands in it at first; afterwards it holds what is typed. */
  readonly text: string;
  readonly counted: CountedProgram;
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
  '.cm-diagnostic-error': { borderLeft: '4px solid var(--loosestrife)' },
});

/** Rows as text, with their counts beside them and what does not come out marked at its place. */
export function RowEditor({ label, text, counted, onType, onLine }: RowEditorProps) {
  const place = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | undefined>(undefined);
  const told = useRef({ onType, onLine });
  told.current = { onType, onLine };
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
          keymap.of([...defaultKeymap, ...historyKeymap]),
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

/** `27 → 28` for each line; of a line that stands for several rows, its first. */
function countsByLine({ rows }: CountedProgram): ReadonlyMap<number, string> {
  const lines = new Map<number, string>();
  for (const { line, uses, makes } of rows) {
    const own = `${uses} → ${makes}`;
    const first = lines.get(line);
    lines.set(line, first === undefined || first === own ? own : `${first.replace(' …', '')} …`);
  }
  return lines;
}
