import fc from 'fast-check';
import { type BagGraph, levelCuts, measure } from '../bag/index.ts';
import { type BagDocument, type Content, STRAP_KINDS } from '../document/index.ts';
import { type Filling, type FillWith, fillBag, hangerOf, shapeOf, usualFilling } from '../drape/index.ts';
import { ontoMesh } from '../drape/mesh/onto-mesh.ts';
import { distance3 } from '../geometry/index.ts';
import { type Plan, planned } from '../plan/index.ts';
import { mm } from '../units/index.ts';
import { constructions, testDocument } from './arbitraries.ts';

/** Something that is true of every filled bag, whatever it is. */
export interface FilledCheck {
  readonly name: string;
  /** What is held, and within what. */
  readonly how: string;
  /** Everything that is not so, each in a sentence with its figure. */
  of(filled: Filled): readonly string[];
}

/** A bag that has been filled, with what it was filled from. */
export interface Filled {
  readonly graph: BagGraph;
  readonly filling: Filling;
}

const unless = (held: boolean, text: string) => (held ? [] : [text]);
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

/** How much of the fabric may be pulled longer by how much: 95 of 100 parts, and the worst where nothing is gathered or held. */
const STRAIN = 0.03;
const WORST = 0.08;
/** How far something may stand out, and lie off the table, mm. */
const OUT = 2;
/** No longer than the fabric allows, but for this share. */
const SLACK = 1.03;
/** Heights at which the way round is taken, and how much less than its fabric it may be: it lies in folds. */
const HEIGHTS = [0.3, 0.5, 0.7];
const LEAST_ROUND = 0.75;

/** Everything that is held of a filled bag. */
export const FILLED_CHECKS: readonly FilledCheck[] = [
  {
    name: 'rests',
    how: 'comes to rest by itself: nothing of it moves a millimetre in a quarter of a second, nothing that hangs on it three',
    of: ({ filling }) => unless(filling.atRest, `still moves after ${filling.frame} frames`),
  },
  {
    name: 'hardly stretches',
    how: 'of 100 parts of its fabric 95 are pulled longer by less than 3 %; none by more than 8 %, unless it hangs',
    of: ({ filling }) => {
      const { strain, mostStrain } = shapeOf(filling);
      return [
        ...unless(strain < STRAIN, `95 of 100 parts are pulled by up to ${percent(strain)}`),
        ...unless(
          filling.pose === 'hang' || mostStrain < WORST,
          `one part is pulled by ${percent(mostStrain)}`,
        ),
      ];
    },
  },
  {
    name: 'no larger than its fabric',
    how: 'but for flap, handles and straps, reaches no farther in any way than the longest way over it, pressed',
    of: ({ graph, filling }) => {
      const { width, height, depth } = measure(graph);
      const longest = SLACK * Math.hypot(width + depth, height + depth) + 6;
      const { cloth, world } = filling;
      const [bag] = world.parts;
      return ['width', 'height', 'depth'].flatMap((way, axis) => {
        const places = bag.map((v) => (cloth.position[3 * v + axis] ?? 0) * cloth.unit);
        const size = places.reduce((a, b) => Math.max(a, b)) - places.reduce((a, b) => Math.min(a, b));
        return unless(size <= longest, `${way} ${size.toFixed(0)} mm of at most ${longest.toFixed(0)}`);
      });
    },
  },
  {
    name: 'way round',
    how: 'standing, at three heights along it, is as far round as its fabric there, or less where it lies in folds',
    of: ({ graph, filling }) => {
      if (filling.pose !== 'stand' || graph.trim?.waist) return [];
      const { height } = measure(graph);
      return HEIGHTS.flatMap((share) => {
        const fabric = levelCuts(graph, share * height).reduce(
          (sum, { from, to }) => sum + distance3(from, to),
          0,
        );
        const round = roundOnFabric(filling, share * height);
        if (fabric === 0) return [];
        const of = round / fabric;
        return unless(
          of < SLACK && of > LEAST_ROUND,
          `${percent(of)} of the way round its fabric at ${share} of its height`,
        );
      });
    },
  },
  {
    name: 'passes through nothing',
    how: 'no side of a triangle goes through another triangle',
    of: ({ filling }) => {
      const { passesThrough } = shapeOf(filling);
      return unless(passesThrough === 0, `passes through itself ${passesThrough} times`);
    },
  },
  {
    name: 'is not crumpled',
    how: 'away from folds and seams less than one side of a triangle in a hundred is bent by more than 30 degrees',
    of: ({ filling }) => {
      const share = crumpled(filling);
      return unless(share < CRUMPLED, `${percent(share)} of it is crumpled`);
    },
  },
  {
    name: 'what is in it is inside',
    how: 'stands out of the fabric by less than 2 mm',
    of: ({ filling }) => {
      const { sticksOut } = shapeOf(filling);
      return unless(sticksOut < OUT, `stands out by ${sticksOut.toFixed(1)} mm`);
    },
  },
  {
    name: 'rests on the table',
    how: 'its lowest place lies on the table to 2 mm, unless it hangs',
    of: ({ filling: { cloth, pose, world } }) => {
      const low = world.parts[0].reduce(
        (least, v) => Math.min(least, (cloth.position[3 * v + 1] ?? 0) * cloth.unit),
        Infinity,
      );
      return unless(
        pose === 'hang' || Math.abs(low - 1.5) < OUT,
        `its lowest place is ${low.toFixed(1)} mm above the table`,
      );
    },
  },
];

/** The way round of the line on the fabric that lies level when the bag is pressed, as it goes on the filled bag, mm. */
function roundOnFabric({ mesh, cloth }: Filling, y: number): number {
  const place = (v: number): readonly [number, number, number] => [
    (cloth.position[3 * v] ?? 0) * cloth.unit,
    (cloth.position[3 * v + 1] ?? 0) * cloth.unit,
    (cloth.position[3 * v + 2] ?? 0) * cloth.unit,
  ];
  let round = 0;
  mesh.facets.forEach(({ face, motion: { origin, u, v } }, t) => {
    if (face === 'flap' || face === 'handle') return;
    const heights = [0, 1, 2].map((k) => {
      const at = mesh.vertices[mesh.corners[3 * t + k] ?? 0];
      return at ? origin.y + at.x * u.y + at.y * v.y : 0;
    });
    const ends = [0, 1, 2].flatMap((k) => {
      const [from, to] = [heights[k] ?? 0, heights[(k + 1) % 3] ?? 0];
      if (from < y === to < y) return [];
      const s = (y - from) / (to - from);
      const [p, q] = [
        place(mesh.triangles[3 * t + k] ?? 0),
        place(mesh.triangles[3 * t + ((k + 1) % 3)] ?? 0),
      ];
      return [p.map((value, axis) => value + ((q[axis] ?? 0) - value) * s)];
    });
    const [p, q] = ends;
    if (p && q) round += Math.hypot(...p.map((value, axis) => value - (q[axis] ?? 0)));
  });
  return round;
}

/** Fabric bent by more than this over one side of the mesh, in degrees, is crumpled and not round. */
const SHARP = 30;
/** And of its sides no more than this share may be. */
const CRUMPLED = 0.01;

/**
 * How much of the fabric is crumpled: the share of sides within a facet, off its borders, over which it is bent sharper
 * than pressure and what is inside bend it. With six cells to a square that is round a radius of a third of one.
 */
export function crumpled({ mesh, cloth }: Filling): number {
  const p = cloth.position;
  const normals = mesh.facets.map((_, t) => {
    const [a, b, c] = [0, 1, 2].map((k) => 3 * (mesh.triangles[3 * t + k] ?? 0));
    const arm = (to = 0) => [0, 1, 2].map((k) => (p[to + k] ?? 0) - (p[(a ?? 0) + k] ?? 0));
    const [[ex = 0, ey = 0, ez = 0], [fx = 0, fy = 0, fz = 0]] = [arm(b), arm(c)];
    const normal = [ey * fz - ez * fy, ez * fx - ex * fz, ex * fy - ey * fx];
    const long = Math.hypot(...normal) || 1;
    return normal.map((value) => value / long);
  });
  const beside = new Map<string, number>();
  let [sides, sharp] = [0, 0];
  mesh.facets.forEach((facet, t) => {
    for (const k of [0, 1, 2]) {
      const [v, w] = [mesh.corners[3 * t + k] ?? 0, mesh.corners[3 * t + ((k + 1) % 3)] ?? 0];
      const other = beside.get(`${w}/${v}`);
      beside.set(`${v}/${w}`, t);
      if (other === undefined || mesh.facets[other] !== facet) continue;
      if (mesh.vertices[v]?.onBorder || mesh.vertices[w]?.onBorder) continue;
      const cosine = [0, 1, 2].reduce(
        (sum, i) => sum + (normals[t]?.[i] ?? 0) * (normals[other]?.[i] ?? 0),
        0,
      );
      sides++;
      if (cosine < Math.cos((SHARP * Math.PI) / 180)) sharp++;
    }
  });
  return sides > 0 ? sharp / sides : 0;
}

const maybe = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: undefined, freq: 3 });

/** What a maker would put on a bag. */
const likely = fc.record({
  construction: constructions,
  edge: maybe(
    fc.record({
      swatch: fc.constant('s1'),
      rounds: fc.integer({ min: 1, max: 3 }),
      growth: fc.integer({ min: -10, max: 10 }),
    }),
  ),
  flap: maybe(fc.integer({ min: 1, max: 3 })),
  waist: maybe(fc.record({ at: fc.integer({ min: 40, max: 90 }), draw: fc.integer({ min: 5, max: 25 }) })),
  straps: maybe(
    fc.record({
      kind: fc.constantFrom(...STRAP_KINDS),
      swatch: fc.constant('s1'),
      many: fc.constantFrom(1 as const, 2 as const),
      drop: fc.integer({ min: 60, max: 500 }),
      wide: fc.integer({ min: 3, max: 6 }),
    }),
  ),
  share: maybe(fc.double({ min: 0.3, max: 0.9, noNaN: true })),
});

/** A bag smaller than this, or larger, mm, is none that anyone carries. */
const SIZES = { least: 80, most: 600 } as const;
/** Where pieces are eased onto one another by more than this, the plan says itself that they do not fit. */
const EASED = 0.1;
/** What is so many times as long as what it is joined to no longer fits into so small a way round. */
const MOST_GATHERED = 2;

/**
 * So many bags of all families such as someone would carry, some with edge rounds, a flap, a waist, straps, and things
 * in them; the same ones for the same seed.
 */
export function* likelyBags(many: number, seed: number): Generator<{ name: string; plan: Plan }> {
  const drawn = fc.sample(fc.noBias(likely), { numRuns: 20 * many, seed });
  let found = 0;
  for (const [i, { construction, edge, flap, waist, straps, share }] of drawn.entries()) {
    if (found === many) return;
    if (construction.family === 'gathered' && construction.together > MOST_GATHERED) continue;
    const bare = testDocument(construction);
    const plain = planned(bare);
    if (!plain.ok) continue;
    const handles = hangerOf(plain.plan.graph) === 'handles';
    const document: BagDocument = {
      ...bare,
      features: {
        ...(edge && { edge }),
        ...(waist && { waist }),
        // What has handles is closed by them.
        ...(flap && !handles && { flap: { of: 'motifs', motif: 'm1', rounds: 4, columns: 2, rows: flap } }),
      },
      // Under a flap only one from side to side.
      finish: { ...(straps && !handles && { straps: { ...straps, many: flap ? 1 : straps.many } }) },
    };
    const answer = planned(document);
    if (!answer.ok || !isLikely(answer.plan, construction.family === 'gathered')) continue;
    const contents = share ? likelyContents(answer.plan.graph, share) : [];
    const full = planned({ ...document, brief: { ...document.brief, contents } });
    if (!full.ok) continue;
    found++;
    yield { name: `${construction.family} ${seed}:${i}`, plan: full.plan };
  }
}

function isLikely({ graph, lines }: Plan, gathered: boolean): boolean {
  const { width, height, depth } = measure(graph);
  if (Math.min(width, height) < SIZES.least || Math.max(width, height, depth) > SIZES.most) return false;
  if (graph.pieces.length > 60) return false;
  // A strap shorter than the way between its ends cannot be sewn on.
  const { straps = [] } = graph.trim ?? {};
  if (straps.some(({ from, to, length, free }) => !free && length < 1.1 * distance3(from, to))) return false;
  const eased = lines.map(({ a, b }) => Math.max(a.length, b.length) / Math.min(a.length, b.length));
  if (eased.some((times) => times > MOST_GATHERED)) return false;
  return (
    gathered || shapeOf(fillBag(graph, { contents: [], soft: 0, pose: 'stand', cells: 4 })).strain < EASED
  );
}

/** A book and a flask that are likely to go in, so high as a share of the bag. */
function likelyContents(graph: BagGraph, share: number): Content[] {
  const { width, height, depth } = measure(graph);
  return [
    {
      shape: 'box',
      id: 'book',
      name: 'Book',
      height: mm(share * height),
      width: mm(0.6 * width),
      thickness: mm(Math.max(12, 0.5 * depth)),
    },
    {
      shape: 'cylinder',
      id: 'flask',
      name: 'Flask',
      height: mm(0.8 * share * height),
      diameter: mm(Math.max(15, 0.2 * width)),
    },
  ];
}

/** Fills the bag of a plan until it rests: in its usual way, but for what is told. */
export function filledBag(
  { graph, contents }: Pick<Plan, 'graph' | 'contents'>,
  how: Partial<FillWith> = {},
): Filled {
  const filling = fillBag(graph, { ...usualFilling(graph, contents), ...how });
  while (!filling.settled) filling.step();
  return { graph, filling };
}

/**
 * How far the places of a bag on one mesh are from those on another, mm, 95 of 100 of them, wherever the bag stands as a
 * whole: whether the mesh is fine enough.
 */
export function placesApart(one: Filling, other: Filling): number {
  const [p, q] = [other.cloth.position.slice(), other.cloth.position];
  ontoMesh(one.mesh, other.mesh)(one.cloth.position, p);
  const [bag] = other.world.parts;
  const between = (v: number) => [0, 1, 2].map((axis) => (p[3 * v + axis] ?? 0) - (q[3 * v + axis] ?? 0));
  const whole = [0, 0, 0];
  for (const v of bag)
    between(v).forEach((value, axis) => {
      whole[axis] = (whole[axis] ?? 0) + value / bag.length;
    });
  const apart = bag
    .map((v) => Math.hypot(...between(v).map((value, axis) => value - (whole[axis] ?? 0))) * other.cloth.unit)
    .sort((a, b) => a - b);
  return apart[Math.floor(0.95 * apart.length)] ?? 0;
}
