import { type BagDocument, type FieldProblem, keepSame, readDocument } from '../document/index.ts';
import { type Plan, planned } from './plan.ts';

/** What became of a change: the new document with its plan, or the sentences why it was not made. */
export type Edited =
  | {
      readonly ok: true;
      readonly document: BagDocument;
      readonly plan: Plan;
      /** What the change took along, in sentences for the maker. */
      readonly notes: readonly string[];
    }
  | { readonly ok: false; readonly problems: readonly FieldProblem[] };

export interface EditOptions {
  /** Works a document out; left to the caller, who may remember plans. */
  readonly plan?: typeof planned;
}

/**
 * The one door for changes of a document. What comes out is what the schema takes and what can be planned, so that
 * nobody ever holds a bag that cannot be shown or saved. Parts that did not change stay the same objects; a change
 * that changes nothing gives the document itself. A choice for a line that the change takes away goes with it.
 */
export function edited(
  document: BagDocument,
  make: (document: BagDocument) => BagDocument,
  { plan = planned }: EditOptions = {},
): Edited {
  const read = readDocument(make(document));
  if (!read.ok) return read;
  const next = keepSame(document, read.document);
  const answer = plan(next);
  if (!answer.ok) return { ok: false, problems: [{ path: '', message: answer.problem }] };
  const { joins, gone } = withoutGoneLines(next, answer.plan);
  if (gone.length === 0) return { ok: true, document: next, plan: answer.plan, notes: [] };
  const before = plan(document);
  const names = new Map(before.ok ? before.plan.graph.lines.map(({ id, name }) => [id, name]) : []);
  const notes = gone.map(
    (line) => `“${names.get(line) ?? line}” is not there any more, and what was chosen for it goes with it.`,
  );
  const kept = { ...next, joins };
  const again = plan(kept);
  return again.ok
    ? { ok: true, document: kept, plan: again.plan, notes }
    : { ok: false, problems: [{ path: '', message: again.problem }] };
}

/** The joins without what was chosen for lines that the bag does not have, and which lines those are. */
function withoutGoneLines({ joins }: BagDocument, { graph }: Plan) {
  const there = new Set(graph.lines.map(({ id }) => id));
  const { lines = {}, last, ...rest } = joins;
  const kept = Object.entries(lines).filter(([line]) => there.has(line));
  const keepLast = last && there.has(last.line);
  const gone = [...Object.keys(lines), ...(last ? [last.line] : [])].filter((line) => !there.has(line));
  return {
    joins: {
      ...rest,
      ...(kept.length > 0 ? { lines: Object.fromEntries(kept) } : {}),
      ...(keepLast ? { last } : {}),
    },
    gone: [...new Set(gone)],
  };
}
