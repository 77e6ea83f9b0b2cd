import type { Basket } from '../enough/index.ts';
import { finishOf } from '../finish/index.ts';
import { doublingsOf, takesOf } from '../match/index.ts';
import { designNames, type Plan, turnedPieces } from '../plan/index.ts';
import type { Reading } from '../runs/index.ts';
import { type JoinMethodId, methodName, schoolName, stepText } from '../runs/index.ts';

import { arrangedReadout } from './arranged.ts';
import { yarnReadout } from './yarn.ts';

export * from './arranged.ts';
export * from './ease-words.ts';
export * from './edge-words.ts';
export * from './measure-words.ts';
export * from './need-words.ts';
export * from './note-words.ts';
export * from './strip-words.ts';
export * from './stripe-words.ts';
export * from './yarn.ts';

const round = (value: number) => Math.round(value * 100) / 100;

/** The finish as plain figures, mm. */
function finishReadout(plan: Plan) {
  const { edges, straps, flap, closure, cord, lining, ready, fill, operations, warnings, bands } =
    finishOf(plan);
  return {
    edges,
    straps: straps
      ? {
          ...straps,
          hanging: round(straps.hanging),
          worked: round(straps.worked),
          width: round(straps.width),
          apart: round(straps.apart),
          adjust: straps.adjust ? { ...straps.adjust, drops: straps.adjust.drops.map(round) } : null,
        }
      : null,
    bands: bands.map(({ band, rows, worked, hanging, width, marks, seat, shorter }) => ({
      name: band.name,
      many: band.many,
      stitches: band.wide,
      rows,
      worked: round(worked),
      hanging: round(hanging),
      width: round(width),
      marks,
      seat: seat ?? null,
      shorter: shorter.map(round),
    })),
    flap: flap ? { ...flap, reach: round(flap.reach), share: round(flap.share) } : null,
    closure: closure ?? null,
    cord: cord ? { ...cord, length: round(cord.length) } : null,
    lining: lining.map(({ name, cut, outline }) => ({
      name,
      cut,
      outline: outline.map(({ x, y }) => [round(x), round(y)]),
    })),
    readyMade: ready ?? null,
    fillUp: fill ?? null,
    order: operations.map(({ title, after, caution }) => ({ title, after, caution: caution ?? null })),
    warnings,
  };
}

/** The method of a run. */
export const methodAt = ({ document, joins }: Plan, run: number): JoinMethodId =>
  joins.runs[run - 1]?.how.method ?? document.joins.method;

/** What readouts of yarn and time need beside the plan. */
export interface Beside {
  /** The day work is begun; today unless it is said. */
  readonly from?: Date | undefined;
  /** What lies there for each yarn. */
  readonly baskets?: readonly Basket[] | undefined;
}

/** Every readout of a plan as plain JSON data: lengths in mm, counts whole, steps in words. */
export function readouts(plan: Plan, reading: Reading, { from = new Date(), baskets }: Beside = {}) {
  const { document, tally } = plan;
  return {
    format: 'fennot.readouts',
    name: document.name,
    family: plan.familyName,
    construction: plan.settled,
    sizes: plan.tapes.map(({ measure, finished, target, verdict, off }) => ({
      measure,
      mm: round(finished.value),
      range90: [round(finished.range.low), round(finished.range.high)],
      target: target ?? null,
      verdict,
      offBy: target ? round(off) : null,
      because: finished.because.map(({ what, share }) => ({ size: what, share: round(share) })),
    })),
    contents: plan.contents.map(({ content, fits, lies, binds, room }) => ({
      name: content.name,
      fits,
      lies,
      binds,
      roomMm: round(room),
    })),
    from: plan.sizes.map(({ what, value, common, single, origin }) => ({
      size: what,
      mm: round(value),
      commonError: round(common),
      pieceToPiece: round(single),
      origin,
    })),
    pieces: plan.graph.pieces.map(({ name, make, edges }) => ({
      name,
      make,
      edges: edges.map(({ kind, length, loops }) => ({ kind, mm: round(length), loops })),
    })),
    // What is said of each yarn stands there, use by use.
    counts: { ...tally, effort: { ...tally.effort, uses: undefined, needs: undefined, learnt: undefined } },
    yarn: yarnReadout(plan, reading, from, baskets),
    arrangement: arrangedReadout(plan),
    stripes: plan.stripes(),
    strips: plan.marked.map((edge) => ({
      ...edge,
      length: round(edge.length),
      wayLength: round(edge.wayLength),
      unit: round(edge.unit),
      marks: edge.marks.map((mark) => ({ ...mark, at: round(mark.at) })),
    })),
    seams: plan.lines.map(({ name, kind, a, b, pairings, ease }) => ({
      name,
      kind,
      a: { ...a, length: round(a.length) },
      b: { ...b, length: round(b.length) },
      insertions: takesOf({ pairings }).length,
      doubledAt: doublingsOf({ pairings }),
      easePercent: round(ease.percent),
      verdict: ease.verdict,
    })),
    finish: finishReadout(plan),
    joins: {
      method: methodName(document.joins.method, reading.terms),
      school: schoolName[plan.joins.school],
      runs: plan.joins.runs.map(({ number, title, length, yarn, how }) => ({
        method: methodName(how.method, reading.terms),
        number,
        title,
        mm: round(length),
        yarnMm: round(yarn),
      })),
      ends: plan.joins.ends,
      fewestRuns: plan.fewestRuns(),
      schools: plan.schools().map((summary) => ({ ...summary, yarn: round(summary.yarn) })),
      steps: plan.steps().map((step) => ({
        run: step.run,
        text: stepText(step, methodAt(plan, step.run), {
          ...reading,
          design: designNames(plan),
          turned: turnedPieces(plan),
        }),
      })),
    },
  };
}
