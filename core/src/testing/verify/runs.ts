import type { Seam } from '../../bag/index.ts';
import type { Plan } from '../../plan/index.ts';
import { type Check, differ } from './check.ts';
import { type Corner, type Points, pointsOf } from './rims.ts';

/** The two points a seam lies between. */
const endsOf = ({ a }: Seam, points: Points): readonly [Corner | undefined, Corner | undefined] => [
  points.at(a.piece, a.edge, a.from),
  points.at(a.piece, a.edge, a.to),
];

/**
 * The fewest runs by taking seams away: whoever walks from an odd point until stuck ends at another odd one, so each such
 * walk is a run, and what is left over of a part that touches no walk is one ring.
 */
function fewestByWalking(seams: readonly Seam[], points: Points): number {
  const at = new Map<Corner, Set<Seam>>();
  const ends = new Map(seams.map((seam) => [seam, endsOf(seam, points)]));
  for (const [seam, own] of ends)
    for (const corner of own) {
      if (!corner) continue;
      const list = at.get(corner) ?? new Set();
      // A seam that comes back to its start counts twice there, which changes nothing of odd and even.
      at.set(corner, list.add(seam));
    }
  const degree = (corner: Corner) =>
    [...(at.get(corner) ?? [])].reduce((sum, seam) => {
      const [from, to] = ends.get(seam) ?? [];
      return sum + (from === corner ? 1 : 0) + (to === corner ? 1 : 0);
    }, 0);
  const touched = new Set<Corner>();
  const walk = (start: Corner) => {
    let here: Corner | undefined = start;
    while (here) {
      touched.add(here);
      const seam: Seam | undefined = [...(at.get(here) ?? [])][0];
      if (!seam) return;
      const [from, to]: ReadonlyArray<Corner | undefined> = ends.get(seam) ?? [];
      for (const corner of [from, to]) if (corner) at.get(corner)?.delete(seam);
      here = from === here ? to : from;
    }
  };
  let runs = 0;
  for (const corner of at.keys()) {
    if (degree(corner) % 2 === 0) continue;
    walk(corner);
    runs++;
  }
  // Rings left over join on to a walk they touch, at once or by way of other rings.
  for (let spread = true; spread; ) {
    spread = false;
    for (const corner of [...touched]) {
      if ((at.get(corner)?.size ?? 0) === 0) continue;
      walk(corner);
      spread = true;
    }
  }
  for (const [corner, left] of at) {
    if (left.size === 0) continue;
    runs++;
    touched.add(corner);
    for (let spread = true; spread; ) {
      spread = false;
      for (const one of [...touched]) {
        if ((at.get(one)?.size ?? 0) === 0) continue;
        walk(one);
        spread = true;
      }
    }
  }
  return runs;
}

/** Every part of every joined seam, and how often the runs work it. */
function worked({ graph, joins }: Plan): string[] {
  const parts = new Map<string, Array<readonly [number, number]>>();
  for (const { passes } of joins.runs)
    for (const { link } of passes) {
      const { a } = link.seam;
      parts.set(link.seam.id, [
        ...(parts.get(link.seam.id) ?? []),
        [Math.min(a.from, a.to), Math.max(a.from, a.to)],
      ]);
    }
  return graph.seams.flatMap(({ id, a, kind }) => {
    const own = (parts.get(id) ?? []).sort(([p], [q]) => p - q);
    if (kind === 'grown') return own.length > 0 ? [`${id} is grown, and joined as well`] : [];
    let at = Math.min(a.from, a.to);
    const gaps = own.some(([low, high]) => {
      const apart = Math.abs(low - at) > 1e-6;
      at = high;
      return apart;
    });
    const short = Math.abs(at - Math.max(a.from, a.to)) > 1e-6;
    return own.length === 0 || gaps || short ? [`${id} is not worked just once`] : [];
  });
}

/** Runs of yarn through the seams. */
export const runs: Check = {
  name: 'Runs',
  how: 'every part of every seam worked once; each seam of a run begins where the one before ends; the fewest runs by walking from odd points until stuck; yarn and ends added up',
  of(plan) {
    const { graph, joins, document } = plan;
    const points = pointsOf(graph);
    const broken = joins.runs.flatMap(({ number, passes, asYouGo }) => {
      if (asYouGo) return [];
      return passes.flatMap(({ link, forward }, i) => {
        const next = passes[i + 1];
        if (!next) return [];
        const { a } = link.seam;
        const b = next.link.seam.a;
        const [end, start] = [forward ? a.to : a.from, next.forward ? b.from : b.to];
        const same = a.piece === b.piece && a.edge === b.edge && Math.abs(end - start) < 1e-6;
        const corner = points.at(a.piece, a.edge, end);
        return same || (corner && corner === points.at(b.piece, b.edge, start))
          ? []
          : [`Run ${number} jumps from ${link.seam.id} to ${next.link.seam.id}`];
      });
    });
    const joined = graph.seams.filter(({ kind }) => kind !== 'grown');
    const length = joined.reduce((sum, { a }) => sum + Math.abs(a.to - a.from), 0);
    const bound = fewestByWalking(joined, points);
    const oneWay = Object.keys(document.joins.lines ?? {}).length === 0 && !document.joins.last;
    const free = joins.school === 'fewest' && !joins.flatFirst && oneWay && !document.joins.longest;
    const own = joins.runs.filter(({ asYouGo }) => !asYouGo);
    // Every insertion of every line, once, in the steps.
    const steps = plan
      .steps()
      .flatMap((step) => (step.does === 'join' ? [step] : step.does === 'motif' ? step.joins : []));
    const insertions = steps.reduce((sum, step) => sum + step.insertions, 0);
    const counted = plan.lines.reduce(
      (sum, { pairings }) => sum + pairings.reduce((all, one) => all + one.takes.length, 0),
      0,
    );
    const tooLong = own.filter(({ yarn }) => yarn > (document.joins.longest ?? Infinity) + 1e-6);
    return [
      ...worked(plan),
      ...broken,
      ...differ('Fewest runs', plan.fewestRuns(), bound, 0),
      ...(free ? differ('Runs of the order with fewest ends', own.length, bound, 0) : []),
      ...(joins.school !== 'as-you-go' && own.length < bound ? ['There are fewer runs than can be'] : []),
      ...differ('Insertions in the steps', insertions, counted, 0),
      ...differ(
        'Length of all runs',
        joins.runs.reduce((sum, run) => sum + run.length, 0),
        length,
        1e-3,
      ),
      ...(tooLong.length > 0 && own.every(({ how }) => ['whip', 'mattress'].includes(how.method))
        ? [`${tooLong.length} needles are threaded with more than the longest yarn`]
        : []),
    ];
  },
};
