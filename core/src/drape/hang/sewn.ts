import { cross, dot, type Point3 } from '../../geometry/index.ts';
import { at as place } from '../cloth/at.ts';
import type { Fabric } from '../cloth/fabric.ts';

// Every index asked for is in its list. Here and not shared: so it is compiled into the loops.
const at = (list: Float64Array, i: number): number => list[i] ?? 0;
const nth = (list: Int32Array, i: number): number => list[i] ?? 0;

/**
 * A node of a strap sewn onto the outside of a triangle, over a point given by the shares of its corners; a share below
 * nothing is of a point beyond its border.
 */
export interface Sewn {
  readonly node: number;
  readonly triangle: number;
  readonly shares: readonly [number, number, number];
}

/** A point of a triangle: the shares of its corners. */
type Shares = readonly [number, number, number];

const NOWHERE: Point3 = { x: 0, y: 0, z: 0 };
/** The cosine from which on fabric looks some way; what does not is taken as so much farther off, mm. */
const LOOKS = 0.3;
const AVERSE = 40;

/** The shares of the point of a triangle that lies nearest to p, by the regions of its corners, sides and inside. */
export function nearestOf(a: Point3, b: Point3, c: Point3, p: Point3): Shares {
  const [ab, ac] = [less(b, a), less(c, a)];
  const [ap, bp, cp] = [less(p, a), less(p, b), less(p, c)];
  const [d1, d2] = [dot(ab, ap), dot(ac, ap)];
  if (d1 <= 0 && d2 <= 0) return [1, 0, 0];
  const [d3, d4] = [dot(ab, bp), dot(ac, bp)];
  if (d3 >= 0 && d4 <= d3) return [0, 1, 0];
  const vc = d1 * d4 - d3 * d2;
  if (vc <= 0 && d1 >= 0 && d3 <= 0) return [1 - d1 / (d1 - d3), d1 / (d1 - d3), 0];
  const [d5, d6] = [dot(ab, cp), dot(ac, cp)];
  if (d6 >= 0 && d5 <= d6) return [0, 0, 1];
  const vb = d5 * d2 - d1 * d6;
  if (vb <= 0 && d2 >= 0 && d6 <= 0) return [1 - d2 / (d2 - d6), 0, d2 / (d2 - d6)];
  const va = d3 * d6 - d5 * d4;
  if (va <= 0 && d4 >= d3 && d5 >= d6) {
    const t = (d4 - d3) / (d4 - d3 + (d5 - d6));
    return [0, 1 - t, t];
  }
  const all = va + vb + vc;
  return [va / all, vb / all, vc / all];
}

const less = (p: Point3, q: Point3): Point3 => ({ x: p.x - q.x, y: p.y - q.y, z: p.z - q.z });

/** The shares of a point moved along a triangle by the part of a way that lies in it. */
function movedBy([sa, sb, sc]: Shares, a: Point3, b: Point3, c: Point3, way: Point3): Shares {
  const [ab, ac] = [less(b, a), less(c, a)];
  const [bb, bc, cc, wb, wc] = [dot(ab, ab), dot(ab, ac), dot(ac, ac), dot(ab, way), dot(ac, way)];
  const all = bb * cc - bc * bc;
  if (all < 1e-9) return [sa, sb, sc];
  const [db, dc] = [(cc * wb - bc * wc) / all, (bb * wc - bc * wb) / all];
  return [sa - db - dc, sb + db, sc + dc];
}

/**
 * Where on the bag something is sewn that is meant to lie at a place: the nearest point of what holds, and the place over
 * it, so far outside. Where nothing looks the way it should (the side of a bag that is pressed flat), as far outside
 * that way, too: so what is sewn on in front and behind passes round the corner between.
 *
 * @param off how far over the fabric it lies, mm.
 * @param facing it is sewn onto fabric that looks this way, where there is any: where front and back meet, both are near.
 */
export function seatOf(
  { patches, start }: Fabric,
  p: Point3,
  off: number,
  facing: Point3 = NOWHERE,
): { readonly triangle: number; readonly shares: Shares; readonly place: Point3 } {
  const corner = (v: number): Point3 => ({
    x: place(start, 3 * v),
    y: place(start, 3 * v + 1),
    z: place(start, 3 * v + 2),
  });
  const looks = (a: Point3, b: Point3, c: Point3) => {
    const normal = cross(less(b, a), less(c, a));
    return dot(normal, facing) >= LOOKS * Math.sqrt(dot(normal, normal) * dot(facing, facing));
  };
  let best: { triangle: number; shares: Shares; apart: number } | undefined;
  patches.forEach(({ nodes, holds }, triangle) => {
    if (!holds) return;
    const [a, b, c] = [corner(nodes[0]), corner(nodes[1]), corner(nodes[2])];
    const shares = nearestOf(a, b, c, p);
    const [sa, sb, sc] = shares;
    const under = {
      x: sa * a.x + sb * b.x + sc * c.x,
      y: sa * a.y + sb * b.y + sc * c.y,
      z: sa * a.z + sb * b.z + sc * c.z,
    };
    const between = less(p, under);
    const apart = Math.sqrt(dot(between, between)) + (looks(a, b, c) ? 0 : AVERSE);
    if (!best || apart < best.apart) best = { triangle, shares, apart };
  });
  const onto = best && patches[best.triangle];
  if (!best || !onto) throw new Error('Nothing to sew onto.');
  const [a, b, c] = [corner(onto.nodes[0]), corner(onto.nodes[1]), corner(onto.nodes[2])];
  const normal = cross(less(b, a), less(c, a));
  const long = off / Math.max(1e-12, Math.sqrt(dot(normal, normal)));
  const { triangle } = best;
  const beyond = off / Math.max(1e-12, Math.sqrt(dot(facing, facing)));
  const shares = looks(a, b, c)
    ? best.shares
    : movedBy(best.shares, a, b, c, { x: facing.x * beyond, y: facing.y * beyond, z: facing.z * beyond });
  const [sa, sb, sc] = shares;
  return {
    triangle,
    shares,
    place: {
      x: sa * a.x + sb * b.x + sc * c.x + normal.x * long,
      y: sa * a.y + sb * b.y + sc * c.y + normal.y * long,
      z: sa * a.z + sb * b.z + sc * c.z + normal.z * long,
    },
  };
}

/** Keeps what is sewn on over its point of the fabric, so far outside. */
export function holdSewn(
  p: Float64Array,
  w: Float64Array,
  triangles: Int32Array,
  sewn: readonly Sewn[],
  off: number,
): void {
  for (const {
    node,
    triangle,
    shares: [sa, sb, sc],
  } of sewn) {
    const na = nth(triangles, 3 * triangle);
    const nb = nth(triangles, 3 * triangle + 1);
    const nc = nth(triangles, 3 * triangle + 2);
    const [wv, wa, wb, wc] = [at(w, node), at(w, na), at(w, nb), at(w, nc)];
    const [v, a, b, c] = [3 * node, 3 * na, 3 * nb, 3 * nc];
    const [ex, ey, ez] = [at(p, b) - at(p, a), at(p, b + 1) - at(p, a + 1), at(p, b + 2) - at(p, a + 2)];
    const [fx, fy, fz] = [at(p, c) - at(p, a), at(p, c + 1) - at(p, a + 1), at(p, c + 2) - at(p, a + 2)];
    const normal = [ey * fz - ez * fy, ez * fx - ex * fz, ex * fy - ey * fx];
    const long = off / Math.max(1e-12, Math.hypot(...normal));
    const share = 1 / (wv + sa * sa * wa + sb * sb * wb + sc * sc * wc);
    for (let k = 0; k < 3; k++) {
      const under = sa * at(p, a + k) + sb * at(p, b + k) + sc * at(p, c + k);
      const by = share * (at(p, v + k) - under - (normal[k] ?? 0) * long);
      p[v + k] = at(p, v + k) - wv * by;
      p[a + k] = at(p, a + k) + sa * wa * by;
      p[b + k] = at(p, b + k) + sb * wb * by;
      p[c + k] = at(p, c + k) + sc * wc * by;
    }
  }
}
