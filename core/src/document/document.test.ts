import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cleanText } from '../fields/index.ts';
import { testDocument } from '../testing/arbitraries.ts';
import { documentJsonSchema, readDocument, readDocumentText, writeDocumentText } from './index.ts';

const example = testDocument();
const good = () => JSON.parse(writeDocumentText(testDocument()));
const problems = (input: unknown) => {
  const read = readDocument(input);
  return read.ok ? [] : read.problems.map(({ path, message }) => `${path}: ${message}`);
};
const withField = (path: string, value: unknown) => {
  const document = good();
  const keys = path.split('.');
  const last = keys.pop() ?? '';
  const holder = keys.reduce((at, key) => at[key], document);
  holder[last] = value;
  return document;
};

test('what is written is read back the same', () => {
  const document = testDocument();
  const read = readDocumentText(writeDocumentText(document));
  expect(read).toEqual({ ok: true, document });
});

describe('a file that is wrong is refused in a sentence', () => {
  test.each([
    ['', 'The file is empty.'],
    ['hello', 'This is not a Fennot bag: the file is not JSON.'],
    [writeDocumentText(testDocument()).slice(0, 400), 'The file breaks off or is damaged'],
    ['{"format":"other"}', 'This is not a Fennot bag'],
    ['[1,2]', 'This is not a Fennot bag'],
    ['{"format":"fennot.bag","version":99}', 'saved by a newer Fennot (version 99'],
    ['{"format":"fennot.bag","version":"one"}', 'The version of this bag file is missing'],
  ])('%.30s', (text, sentence) => {
    const read = readDocumentText(text);
    expect(read.ok ? '' : read.problems[0]?.message).toContain(sentence);
  });
});

describe('a wrong field is named by its path', () => {
  test.each([
    ['brief.width.value', 0, 'brief.width.value: A length must be more than zero.'],
    ['brief.width.value', -5, 'brief.width.value: A length must be more than zero.'],
    ['brief.width.value', 1e9, 'brief.width.value: A length cannot be more than 5 m.'],
    ['brief.width.value', 'wide', 'brief.width.value: A length must be a number of millimetres.'],
    ['construction.body.columns', 0, 'construction.body.columns: Columns must be at least 1.'],
    ['construction.body.columns', 2.5, 'construction.body.columns: Columns must be a whole number.'],
    ['construction.body.columns', 1e6, 'construction.body.columns: Columns cannot be more than 40.'],
    ['motifs.0.cornerChains', 9, 'motifs.0.cornerChains: A corner has 1, 2 or 3 chains.'],
    ['yarns.0.colour', 'green', 'yarns.0.colour: A colour is written as # and six hex digits.'],
    ['joins.yarn', 'gone', 'joins.yarn: There is no yarn “gone” in this bag.'],
    ['construction.body.motif', 'gone', 'construction.body.motif: There is no motif “gone” in this bag.'],
    ['swatches.1.id', 's1', 'swatches.1.id: “s1” is there twice.'],
    ['swatches.0.stitch', 'long', 'swatches.0.stitch: This must be one of “low”, “mid”, “tall”, “high”.'],
    ['motifs.0.oneWay', 'yes', 'motifs.0.oneWay: This must be true or false.'],
    ['construction.family', 'cube', 'construction.family: This is none of the kinds this version knows.'],
  ])('%s = %s', (path, value, sentence) => {
    expect(problems(withField(path, value))).toContain(sentence);
  });

  test('a swatch of one row says nothing about the gauge', () => {
    const [problem] = problems(withField('swatches.1.rows.count', 1));
    expect(problem).toMatch(/^swatches\.1\.rows\.count: One or none says nothing/);
  });

  test('NaN cannot even be written, and is refused when it comes from a program', () => {
    expect(problems({ ...testDocument(), name: '' })).toEqual(['name: A name cannot be empty.']);
    const withNaN = withField('brief.width.value', Number.NaN);
    expect(problems(withNaN)).toEqual(['brief.width.value: A length must be a number of millimetres.']);
  });
});

test('the published JSON Schema is the one this code reads', () => {
  const published = readFileSync(new URL('../../../docs/fennot.bag.schema.json', import.meta.url), 'utf8');
  expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(documentJsonSchema())));
});

describe('text', () => {
  const bag = (fields: object) => readDocument({ ...structuredClone(example), ...fields });
  const firstOf = (fields: object) => {
    const read = bag(fields);
    return read.ok ? undefined : read.problems[0];
  };

  test('that no database can keep is refused where it stands', () => {
    for (const bad of ['a\0b', 'half \uD83D of a bell', '\uDD14 the other half']) {
      expect(firstOf({ note: bad })).toEqual({
        path: 'note',
        message: 'A note holds a character that cannot be kept.',
      });
      expect(firstOf({ name: bad })?.path).toBe('name');
      expect(bag({ note: cleanText(bad) }).ok).toBe(true);
    }
  });

  test('of any script is kept as it is, emoji of many characters too', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), (note) => {
        const clean = cleanText(note);
        const read = bag({ note: clean });
        expect(read.ok && read.document.note).toBe(clean);
        // Nothing that can be kept is taken away.
        if (encodeURI(note.replaceAll('%', '')) !== '' && !note.includes('\0')) expect(clean).toBe(note);
      }),
    );
  });

  test('a name is told without the blanks round it, and may be as long as it says', () => {
    const read = bag({ name: `  ${'n'.repeat(80)}  ` });
    expect(read.ok && read.document.name).toHaveLength(80);
    expect(firstOf({ name: 'n'.repeat(81) })?.message).toContain('80 characters');
    expect(firstOf({ name: ' ' })?.message).toBe('A name cannot be empty.');
  });

  test('a file may begin with a mark of its byte order', () => {
    const read = readDocumentText(`\uFEFF${writeDocumentText(example)}`);
    expect(read).toEqual({ ok: true, document: example });
  });
});

test('of many problems the first twenty are told, and how many more there are', () => {
  const yarns = Array.from({ length: 50 }, () => ({}));
  const read = readDocument({ ...example, yarns });
  if (read.ok) throw new Error('yarns without anything are no yarns');
  expect(read.problems).toHaveLength(21);
  const [, more] = /And (\d+) more/.exec(read.problems.at(-1)?.message ?? '') ?? [];
  // Six fields are missing in each of fifty; a few checks across fields may come on top.
  expect(Number(more)).toBeGreaterThanOrEqual(50 * 6 - 20);
});
