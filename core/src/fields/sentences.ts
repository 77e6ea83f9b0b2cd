import type { z } from 'zod';

type Issue = z.core.$ZodIssue;

/** What a maker calls the kinds of things a file is made of. */
const KINDS: Record<string, string> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'a group of fields',
  record: 'a group of fields',
  tuple: 'a list',
};

/** The library's own words, which say nothing to a maker. */
const TECHNICAL = /^(Invalid|Too (big|small)|Unrecognized)/;

const listed = (values: readonly unknown[]) => values.map((value) => `“${String(value)}”`).join(', ');

/** What is wrong with a field and what would do, in a sentence. */
export function sentenceOf(issue: Issue): string {
  if (!TECHNICAL.test(issue.message)) return issue.message;
  switch (issue.code) {
    case 'invalid_value':
      return issue.values.length === 1
        ? `This must be ${listed(issue.values)}.`
        : `This must be one of ${listed(issue.values)}.`;
    case 'invalid_type':
      return `This must be ${KINDS[issue.expected] ?? 'something else'}.`;
    case 'too_small':
      return `This must be at least ${issue.minimum}.`;
    case 'too_big':
      return `This must be at most ${issue.maximum}.`;
    case 'unrecognized_keys':
      return `${listed(issue.keys)} ${issue.keys.length === 1 ? 'is no field' : 'are no fields'} that this version knows here.`;
    case 'invalid_union':
      return 'This is none of the kinds this version knows.';
    default:
      return 'This is not what belongs here.';
  }
}
