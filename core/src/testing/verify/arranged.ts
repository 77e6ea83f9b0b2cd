import type { Plan } from '../../plan/index.ts';
import { type Check, differ } from './check.ts';
import { lyingBeside } from './lying-beside.ts';

/** Bags with more pieces than this are left to the seams alone: every border is held against every other. */
const MOST_PIECES = 40;

const key = (p: string, q: string) => [p, q].sort().join(' ');

/** Neighbours, twins and counts of designs. */
export const arranged: Check = {
  name: 'Neighbours and twins',
  how: 'who lies beside whom by the borders of the made-up facets; twins among them by what lies in each cell; designs counted one by one',
  of(plan) {
    const { neighbours, slots, laid, designs, supply } = plan.arranging();
    const motifs = plan.graph.pieces.filter(({ make }) => make.of === 'motif').map(({ id }) => id);
    const laidIn = new Map(
      plan.cells.map((cell) => [cell.piece, `${cell.motif} ${cell.rounds} ${cell.design}`]),
    );
    const counted = new Map<string, number>();
    for (const one of laidIn.values()) counted.set(one, (counted.get(one) ?? 0) + 1);
    const said = designs.flatMap(({ motif, rounds, design, name }, i) =>
      differ(
        `cells with ${name}`,
        laid.filter((one, slot) => one === i && slots[slot] !== undefined).length,
        counted.get(`${motif} ${rounds} ${design}`) ?? 0,
        0,
      ),
    );
    const cells = supply.reduce((sum, one) => sum + one.cells, 0);
    return [...said, ...differ('cells', cells, motifs.length, 0), ...beside(plan, neighbours, laidIn)];
  },
};

/** Neighbours against the facets. A flap lies on the front, and what is sewn across lies inside: there borders tell nothing. */
function beside(
  { graph }: Plan,
  neighbours: ReturnType<Plan['arranging']>['neighbours'],
  laid: ReadonlyMap<string, string>,
): string[] {
  const layered = graph.facets.some(({ face, tucked }) => face === 'flap' || face === 'handle' || tucked);
  if (layered || (graph.tucks?.length ?? 0) > 0 || graph.pieces.length > MOST_PIECES || graph.covers)
    return [];
  const lying = lyingBeside(graph);
  const sides = neighbours.filter(({ how }) => how === 'side');
  const all = new Set(neighbours.map(({ a, b }) => key(a, b)));
  const same = ([p, q]: readonly [string, string]) =>
    laid.get(p) !== undefined && laid.get(p) === laid.get(q);
  const twins = [...lying].filter((pair) => {
    const [p = '', q = ''] = pair.split(' ');
    return same([p, q]) && sides.some(({ a, b }) => key(a, b) === pair);
  }).length;
  return [
    ...sides.flatMap(({ a, b }) =>
      lying.has(key(a, b)) ? [] : [`${a} and ${b} are said to meet, and lie apart.`],
    ),
    ...[...lying].flatMap((pair) =>
      all.has(pair) ? [] : [`${pair} lie beside one another, and nobody says so.`],
    ),
    ...differ('twins', sides.filter(({ a, b }) => same([a, b])).length, twins, 0),
  ];
}
