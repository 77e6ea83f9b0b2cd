import { type BagDocument, type FillWith, measure, POSES, planOf, shapeOf, usualPose } from '@fennot/core';
import { crumpled, FILLED_CHECKS, filledBag, likelyBags, placesApart } from '../core/src/testing/filled.ts';
import { demoBags } from '../server/src/demo/index.ts';

/**
 * `npm run filled`, or with a part of a name after it: fills every demo bag in every pose, and prints what it measures
 * and how true it is, as a table. Finer: whether a mesh of a third more cells comes to the same.
 * `npm run filled -- likely 100 3`: so many made-up bags from that seed, with what is not so of them.
 */
const [wanted = '', many = '100', seed = '3'] = process.argv.slice(2);

if (wanted === 'likely') likely(Number(many), Number(seed));
else table(wanted);

/** Fills bags that someone might carry, and counts of how many each thing is true. */
function likely(many: number, seed: number): void {
  const failed = new Map(FILLED_CHECKS.map((check) => [check, 0]));
  let bags = 0;
  for (const { name, plan } of likelyBags(many, seed)) {
    bags++;
    const filled = filledBag(plan);
    for (const check of FILLED_CHECKS) {
      const [text] = check.of(filled);
      if (!text) continue;
      failed.set(check, (failed.get(check) ?? 0) + 1);
      console.log(`  ${name}, ${filled.filling.pose}: ${text}`);
    }
  }
  for (const [{ name, how }, not] of failed)
    console.log(`${name.padEnd(26)} ${bags - not} of ${bags}: ${how}`);
}

function fill(document: BagDocument, how: Partial<FillWith>) {
  const start = performance.now();
  const { filling } = filledBag(planOf(document), how);
  return { filling, shape: shapeOf(filling), seconds: (performance.now() - start) / 1000 };
}

function table(wanted: string): void {
  const cm = (mm: number) => (mm / 10).toFixed(1);
  const percent = (share: number) => (100 * share).toFixed(1);
  console.log(
    '| bag | pose | nodes | s | at rest after | strain 95 of 100, worst, % | width, height, depth, cm | pressed, cm | litres | crumpled, % | stands out, mm | passes through | finer: litres, %; places, mm |',
  );
  console.log('|---|---|--:|--:|--:|--:|---|---|--:|--:|--:|--:|--:|');
  for (const document of demoBags()) {
    if (!document.name.includes(wanted)) continue;
    const { graph } = planOf(document);
    const pressed = measure(graph);
    for (const pose of POSES) {
      const { filling, shape, seconds } = fill(document, { pose });
      const { cloth, frame, atRest } = filling;
      const usual = pose === usualPose(graph);
      const finer = usual ? fill(document, { pose, cells: 8 }) : undefined;
      const cells = [
        document.name,
        usual ? `**${pose}**` : pose,
        cloth.count,
        seconds.toFixed(1),
        atRest ? `${frame} frames` : 'stopped',
        `${percent(shape.strain)}, ${percent(shape.mostStrain)}`,
        [shape.width, shape.height, shape.depth].map(cm).join(', '),
        [pressed.width, pressed.height, pressed.depth].map(cm).join(', '),
        shape.volume.toFixed(1),
        percent(crumpled(filling)),
        shape.sticksOut.toFixed(1),
        shape.passesThrough,
        finer
          ? `${percent(finer.shape.volume / shape.volume - 1)}; ${placesApart(filling, finer.filling).toFixed(1)}`
          : '',
      ];
      console.log(`| ${cells.join(' | ')} |`);
    }
  }
}
