import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { planOf } from '../../plan/index.ts';
import { testDocument } from '../../testing/arbitraries.ts';
import { type BagDocument, readDocument, readDocumentText, VERSION } from '../index.ts';

const folder = new URL('../frozen/', import.meta.url);
const frozen = readdirSync(folder).flatMap((version) =>
  readdirSync(new URL(`${version}/`, folder)).map((file) => [`${version}/${file}`] as const),
);
const read = (file: string): BagDocument => {
  const answer = readDocumentText(readFileSync(new URL(file, folder), 'utf8'));
  if (!answer.ok)
    throw new Error(answer.problems.map(({ path, message }) => `${path}: ${message}`).join('\n'));
  return answer.document;
};

describe('every file of every version ever written', () => {
  test('there are such files of all versions before this one', () => {
    const versions = new Set(frozen.map(([file]) => file.split('/')[0]));
    expect([...versions].sort()).toEqual(Array.from({ length: VERSION - 1 }, (_, i) => `v${i + 1}`));
  });

  test.each(frozen)('%s is read as one of today, plans, and keeps every choice it had', (file) => {
    const raw = JSON.parse(readFileSync(new URL(file, folder), 'utf8'));
    const document = read(file);
    expect(document.version).toBe(VERSION);
    expect(document.name).toBe(raw.name);
    const { lines } = planOf(document).graph;
    const there = new Set(lines.map(({ id }) => id));
    const chosen = Object.keys(document.joins.lines ?? {});
    expect(chosen).toHaveLength(Object.keys(raw.joins.lines ?? {}).length);
    expect(chosen.filter((line) => !there.has(line))).toEqual([]);
    if (document.joins.last) expect(there).toContain(document.joins.last.line);
  });
});

describe('from version 1', () => {
  /** Names of the lines a frozen file has chosen another method for. */
  const chosen = (file: string) => {
    const document = read(`v1/${file}.json`);
    const names = new Map(planOf(document).graph.lines.map(({ id, name }) => [id, name]));
    return Object.keys(document.joins.lines ?? {}).map((id) => names.get(id));
  };

  test('lines that were counted are found again by where they lie', () => {
    // Put down when the files were frozen: the first, the middle and the last line of each.
    // Thirteen on point: flat-0 rose through the first bottom square's left corner ... see the drawing of the hauler.
    expect(chosen('raffle-drum')).toEqual(['Front, round', 'Back, round']);
    expect(chosen('junior-ringer-s-pack')).toEqual(['Front, left side', 'Back, bottom', 'Back, right side']);
    expect(chosen('glove-pouch')).toEqual(['Left side seam', 'Bottom seam', 'Right side seam']);
    // flat-0 lay level through the centre, flat-10 was the eleventh, wings-2-3 has kept its name.
    expect(chosen('market-pinwheel')[0]).toBe('Across the centre, level');
    expect(chosen('market-pinwheel').at(-1)).toBe('Wing C to wing D');
  });

  test('ids that broke the plan are put in plain letters, wherever they are pointed at', () => {
    const old = JSON.parse(JSON.stringify({ ...testDocument(), version: 1 }));
    const text = JSON.stringify(old)
      .replaceAll('"m1"', '"m:1"')
      .replaceAll('"s1"', '"s 1"')
      .replaceAll('"y1"', '"y/1"')
      .replaceAll('"turning"', '"school"');
    const answer = readDocumentText(text);
    if (!answer.ok) throw new Error(JSON.stringify(answer.problems));
    const { motifs, swatches, yarns, construction, joins } = answer.document;
    expect(motifs[0]).toMatchObject({ id: 'm-1', swatch: 's-1' });
    expect(swatches[0]).toMatchObject({ id: 's-1', yarn: 'y-1' });
    expect([motifs[0]?.turning, swatches[0]?.turning]).toEqual(['counts', 'counts']);
    expect(yarns[0]?.id).toBe('y-1');
    expect(joins.yarn).toBe('y-1');
    expect(construction).toMatchObject({ body: { motif: 'm-1' } });
    expect(motifs[0]?.colourways[0]?.rounds.at(-1)).toBe('y-1');
    expect(() => planOf(answer.document)).not.toThrow();
  });

  test('two ids that would become one are kept apart', () => {
    const old = JSON.parse(JSON.stringify({ ...testDocument(), version: 1 }));
    old.yarns = [{ ...old.yarns[0], id: 'y-1' }, { ...old.yarns[0], id: 'y:1' }, ...old.yarns];
    const answer = readDocument(old);
    expect(answer.ok && answer.document.yarns.slice(0, 2).map(({ id }) => id)).toEqual(['y-1', 'y-1-1']);
  });
});

test('a field this version does not know is refused by its name, not dropped', () => {
  const answer = readDocument({ ...testDocument(), wings: 2 });
  expect(answer.ok ? [] : answer.problems).toEqual([
    { path: '', message: '“wings” is no field that this version knows here.' },
  ]);
});
