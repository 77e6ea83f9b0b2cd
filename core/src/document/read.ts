import { z } from 'zod';
import { sentenceOf } from '../fields/index.ts';
import { type BagDocument, documentSchema, documentShape, FORMAT } from './schema.ts';
import { upgraded, VERSION } from './versions/index.ts';

/** A field that is wrong: where it stands in the document, and what would do. */
export const fieldProblemSchema = z.object({
  /** Dotted path, `motifs.0.cornerChains`; empty for the file as a whole. */
  path: z.string(),
  message: z.string(),
});
export type FieldProblem = Readonly<z.infer<typeof fieldProblemSchema>>;

export type ReadResult =
  | { readonly ok: true; readonly document: BagDocument }
  | { readonly ok: false; readonly problems: readonly FieldProblem[] };

const refuse = (message: string, path = ''): ReadResult => ({ ok: false, problems: [{ path, message }] });

/** Nobody reads more than so many problems at once. */
const MOST_TOLD = 20;

/** Problems of a failed parse as dotted paths and sentences. */
export function fieldProblems({ issues }: z.ZodError): FieldProblem[] {
  const told = issues
    .slice(0, MOST_TOLD)
    .map((issue) => ({ path: issue.path.join('.'), message: sentenceOf(issue) }));
  const more = issues.length - told.length;
  return more > 0 ? [...told, { path: '', message: `And ${more} more.` }] : told;
}

/**
 * Reads something that claims to be a bag document: ours, of a version we know, brought up to this one, and whole.
 * Files, rows of the database and drafts all come in here.
 */
export function readDocument(input: unknown): ReadResult {
  const head = z.looseObject({ format: z.literal(FORMAT), version: z.unknown() }).safeParse(input);
  if (!head.success)
    return refuse(`This is not a Fennot bag: a bag file says "format": "${FORMAT}" at its top.`, 'format');
  const { version } = head.data;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return refuse('The version of this bag file is missing or is not a whole number from 1.', 'version');
  if (version > VERSION)
    return refuse(
      `This bag was saved by a newer Fennot (version ${version}; this one reads up to ${VERSION}). Update Fennot and open it again.`,
      'version',
    );
  const parsed = documentSchema.safeParse(upgraded(head.data, version));
  return parsed.success
    ? { ok: true, document: parsed.data }
    : { ok: false, problems: fieldProblems(parsed.error) };
}

/** Reads the text of a bag file. A file that breaks off is said to be so. */
export function readDocumentText(whole: string): ReadResult {
  // Some editors begin a file with a mark of its byte order.
  const text = whole.replace(/^\uFEFF/, '');
  if (text.trim() === '') return refuse('The file is empty.');
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    const ours = text.includes(FORMAT);
    return refuse(
      ours
        ? 'The file breaks off or is damaged: it begins as a Fennot bag but is not whole JSON. Export it again.'
        : 'This is not a Fennot bag: the file is not JSON.',
    );
  }
  return readDocument(value);
}

/** The text of a bag file: the document as it is, indented to be read and compared. */
export const writeDocumentText = (document: BagDocument): string => `${JSON.stringify(document, null, 2)}\n`;

/** The published JSON Schema of the file format. */
export const documentJsonSchema = (): object => ({
  title: 'Fennot bag',
  ...z.toJSONSchema(documentShape, { io: 'input' }),
});
