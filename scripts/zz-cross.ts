import { fillBag, usualFilling } from '../core/src/drape/index.ts';
import { crossings } from '../core/src/drape/crossings.ts';
import { likelyBags } from '../core/src/testing/filled.ts';
import { partsOf } from '../core/src/drape/parts.ts';
const [many = '32', seed = '3'] = process.argv.slice(2);
for (const { name, plan } of likelyBags(Number(many), Number(seed))) {
  const f = fillBag(plan.graph, usualFilling(plan.graph, plan.contents));
  const parts = f.world.parts;
  const partOf = (v: number) => parts.findIndex((p) => p.includes(v));
  const log: string[] = [];
  let last = -1;
  const look = () => {
    const c = crossings(f.cloth.position, f.cloth.membrane.triangles, 1 / 6);
    if (c.length !== last && (last <= 0 || c.length === 0 || log.length < 6)) {
      const kinds = new Map<string, number>();
      for (const [a, b, t] of c) {
        const tri = f.cloth.membrane.triangles;
        const k = `${partOf(a)}x${partOf(tri[3 * t] ?? 0)}`;
        kinds.set(k, (kinds.get(k) ?? 0) + 1);
      }
      log.push(`${f.frame}:${c.length} ${[...kinds].map(([k, n]) => `${k}=${n}`).join(',')}`);
    }
    last = c.length;
  };
  look();
  while (!f.settled) { f.step(); if (f.frame % 8 === 0) look(); }
  look();
  const g = plan.graph;
  console.log(name, f.pose, f.atRest ? 'rest' : 'MOVES', f.frame, 'end', last, `parts ${parts.length} straps ${(g.trim?.straps ?? []).length} flap ${plan.document.features?.flap ? 1 : 0} edge ${plan.document.features?.edge?.rounds ?? 0} contents ${plan.contents.length}`, last > 0 || log.length > 1 ? `\n    ${log.join(' | ')}` : '');
}
