import { spendingOf } from '../../enough/index.ts';
import { type Plan, planned } from '../../plan/index.ts';
import { TAIL } from '../../runs/index.ts';
import { rowColours, stripesOf } from '../../stripes/index.ts';
import { type Check, differ } from './check.ts';

/** Stitches, yarn and ends of the parts against the whole, and against the bag without them. */
export const yarn: Check = {
  name: 'Yarn and ends',
  how: 'parts added up against the whole; edge, straps and closure as what the bag takes more than without them; ends of pieces, joins and corners counted anew; stitches of panels row by row',
  of(plan) {
    const { document, graph, tally, joins, edges } = plan;
    const { effort } = tally;
    const sum = (of: 'stitches' | 'yarn') => effort.parts.reduce((all, one) => all + one[of], 0);
    const bare = planned({
      ...document,
      features: { ...document.features, edge: undefined },
      finish: undefined,
    });
    const edge = effort.parts.find(({ part }) => part === 'edge')?.stitches ?? 0;
    const straps = effort.parts.find(({ part }) => part === 'straps')?.stitches ?? 0;
    const closure = effort.parts.find(({ part }) => part === 'closure')?.stitches ?? 0;
    // Bands come with the way of building, and are there without any finish.
    const bands = (graph.trim?.bands ?? []).length > 0;
    // A cord is as long as the mouth, which the edge changes.
    const corded = (one: typeof effort) =>
      one.stitches - (one.parts.find(({ part }) => part === 'cord')?.stitches ?? 0);
    const more = bare.ok ? corded(effort) - corded(bare.plan.tally.effort) : Number.NaN;
    const rounds = edges.flatMap((one) => one.rounds).reduce((all, one) => all + one, 0);
    const tucks = (graph.tucks ?? []).length;
    const own = joins.runs.filter(({ asYouGo }) => !asYouGo).length;
    const byColour = effort.needs.reduce(
      (all, { parts }) => all + parts.reduce((mm, one) => mm + one.length, 0),
      0,
    );
    const byUse = effort.needs.flatMap(({ uses }) => uses).reduce((mm, one) => mm + one.length, 0);
    const spent = spendingOf(plan);
    const minutes = effort.work.reduce((all, one) => all + one.minutes, 0);
    const tailsOf = effort.parts.find(({ part }) => part === 'tails')?.yarn ?? 0;
    const hidden = document.motifs.every(({ ends }) => ends !== 'worked-over');
    const single = hidden && document.swatches.every(({ strands }) => strands === 1);
    const wall = graph.pieces.every(({ make }) => make.of === 'panel');
    return [
      ...differ('Stitches of all parts', effort.stitches, sum('stitches'), 0),
      ...differ('Yarn of all parts, mm', effort.yarn, sum('yarn'), 0.001),
      ...differ('Yarn of all colours, mm', effort.yarn, byColour, 0.001),
      ...differ('Yarn of all uses of all colours, mm', effort.yarn, byUse, 0.001),
      ...effort.needs.flatMap(({ yarn: id, length }) =>
        differ(`Yarn ${id} along the work, mm`, spent.at(-1)?.taken.get(id) ?? 0, length, 0.001),
      ),
      ...differ('Minutes of all kinds of work', effort.minutes, minutes, 1e-6),
      ...(single ? differ('Yarn of the tails of pieces, mm', tailsOf, tally.pieceEnds * TAIL, 0.001) : []),
      ...(effort.needs.some(({ uses }) => uses.some(({ length }) => length < 0))
        ? ['Something takes less than no yarn']
        : []),
      ...differ('Stitches of the edge', edge, rounds, 0),
      ...(bare.ok && !bands
        ? differ('Stitches of edge, straps and closure', edge + straps + closure, more, 0.5)
        : []),
      ...differ('Ends of joins and corners', joins.ends, 2 * (own + tucks), 0),
      ...(wall ? differ('Ends of panels', tally.pieceEnds, endsByHand(plan), 0) : []),
      ...(document.finish?.straps && straps === 0 ? ['Straps take no stitches'] : []),
      ...((graph.trim?.straps ?? []).length > 0 && straps === 0
        ? ['Straps are drawn that take no stitches']
        : []),
    ];
  },
};

/**
 * Ends of all panels, by a walk along their rows with every ball in hand: at each change of colour one ball is laid
 * down, and another is taken up where it lies, or joined on.
 */
function endsByHand({ document, graph }: Plan): number {
  let ends = 0;
  for (const piece of graph.pieces) {
    if (piece.make.of !== 'panel') continue;
    const colours = rowColours(document, piece);
    const carried = stripesOf(document, piece.id)?.carried ?? false;
    // What is worked round is not turned: its balls all hang where rounds begin.
    const turns = piece.make.panel === undefined || piece.edges.every(({ kind }) => kind !== 'round');
    /** Where each ball hangs that has not been cut: at the side where odd rows begin, or at the other. */
    const hangs = new Map<string, number>();
    for (let row = 1; row <= piece.make.rows; row++) {
      const [yarn, before] = [colours(row), row > 1 ? colours(row - 1) : undefined];
      if (yarn !== before) {
        if (before !== undefined && !carried && hangs.delete(before)) ends++;
        if (hangs.get(yarn) !== (turns ? row % 2 : 0)) ends += hangs.has(yarn) ? 2 : 1;
      }
      hangs.set(yarn, turns ? (row + 1) % 2 : 0);
    }
    ends += hangs.size;
  }
  return ends;
}
