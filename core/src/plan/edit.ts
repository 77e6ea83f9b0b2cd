import { type BagDocument, type FieldProblem, keepSame, readDocument } from '../document/index.ts';
import { type Plan, planned } from './plan.ts';

/** What became of a change: the new document with its plan, or the sentences why it was not made. */
export type Edited =
  | {
      readonly ok: true;
      readonly document: BagDocument;
      readonly plan: Plan;
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
 * that changes nothing gives the document itself.
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
  return { ok: true, document: next, plan: answer.plan, notes: [] };
}
