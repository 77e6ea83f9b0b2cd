import {
  type BagDocument,
  type FilledShape,
  type Filling,
  fillBag,
  measure,
  POSES,
  planOf,
  shapeOf,
  usualFilling,
  usualPose,
} from '@fennot/core';
import { crossings } from '../core/src/drape/crossings.ts';
import { demoBags } from '../server/src/demo/index.ts';

// Fills every demo bag in every pose, and prints what it measures and how true it is, as a table:
// npm run filled [a part of a name]. Finer: whether a mesh of a third more cells comes to the same.
const wanted = process.argv[2] ?? '';

interface Filled {
  readonly filling: Filling;
  readonly shape: FilledShape;
  readonly seconds: number;
}

function fill(document: BagDocument, pose: Filling['pose'], cells?: number): Filled {
  const { graph, contents } = planOf(document);
  const filling = fillBag(graph, { ...usualFilling(graph, contents), pose, ...(cells && { cells }) });
  const start = performance.now();
  while (!filling.settled) filling.step();
  return { filling, shape: shapeOf(filling), seconds: (performance.now() - start) / 1000 };
}

const cm = (mm: number) => (mm / 10).toFixed(1);
const percent = (share: number) => (100 * share).toFixed(1);

console.log(
  '| bag | pose | nodes | s | at rest after | strain 95 of 100, worst, % | width, height, depth, cm | pressed, cm | litres | stands out, mm | passes through | finer: litres, % |',
);
console.log('|---|---|--:|--:|--:|--:|---|---|--:|--:|--:|--:|');
for (const document of demoBags()) {
  if (!document.name.includes(wanted)) continue;
  const { graph } = planOf(document);
  const pressed = measure(graph);
  for (const pose of POSES) {
    const { filling, shape, seconds } = fill(document, pose);
    const { cloth, frame, atRest } = filling;
    const usual = pose === usualPose(graph);
    const finer = usual ? fill(document, pose, 8).shape.volume / shape.volume - 1 : undefined;
    const through = crossings(cloth.position, cloth.membrane.triangles, 1 / 6).length;
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
      shape.sticksOut.toFixed(1),
      through,
      finer === undefined ? '' : percent(finer),
    ];
    console.log(`| ${cells.join(' | ')} |`);
  }
}
