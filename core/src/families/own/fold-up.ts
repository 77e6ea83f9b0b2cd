import type { Face, Motion } from '../../bag/index.ts';
import { cross, must, NOTHING, type Point3 } from '../../geometry/index.ts';
import type { Region } from '../layout/bend.ts';
import type { NetFold, Own } from './schema.ts';
import { foldAt, type Table, tableBox } from './table.ts';

/** A stretch of the table between two folds, and where it goes: `start` is the place of its first end. */
interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly start: { readonly along: number; readonly z: number };
  /** Direction of its way, in the plane of the axis and the depth. */
  readonly way: { readonly along: number; readonly z: number };
}

/** The way after each number of quarter turns. Exact, so that what comes together lies on one line. */
const QUARTERS = [
  { along: 1, z: 0 },
  { along: 0, z: -1 },
  { along: -1, z: 0 },
  { along: 0, z: 1 },
] as const;

/** Walks along one axis of the table, turning backwards at every fold. */
function walk(from: number, to: number, folds: readonly NetFold[], table: Table, flat: boolean): Stretch[] {
  const step = to > from ? 1 : -1;
  const stops = folds
    .map((fold) => ({ at: foldAt(fold, table), angle: flat ? 180 : fold.angle }))
    .filter(({ at }) => (at - from) * step > NOTHING && (to - at) * step > NOTHING)
    .sort((a, b) => (a.at - b.at) * step);
  const stretches: Stretch[] = [];
  let at = from;
  let place = { along: 0, z: 0 };
  let turn = 0;
  for (const stop of [...stops, { at: to, angle: 0 }]) {
    const way = must(QUARTERS[turn % 4], 'quarter turn');
    stretches.push({ from: at, to: stop.at, start: place, way });
    const length = Math.abs(stop.at - at);
    place = { along: place.along + way.along * length, z: place.z + way.z * length };
    at = stop.at;
    turn += stop.angle / 90;
  }
  return stretches;
}

function faceOf(normal: Point3): Face {
  if (normal.z > 0.5) return 'front';
  if (normal.z < -0.5) return 'back';
  if (normal.y < -0.5) return 'bottom';
  if (normal.y > 0.5) return 'flap';
  return normal.x < 0 ? 'left' : 'right';
}

/**
 * Folds the table's net: from the left over every upright fold, and from the top over every level one. The first
 * part is the front. Where there are folds both ways, all are folded flat.
 */
export function foldUp(params: Own, table: Table): Region[] {
  const box = tableBox(params, table);
  const lying = (lies: NetFold['lies']) => params.folds.filter((fold) => fold.lies === lies);
  const [upright, level] = [lying('upright'), lying('level')];
  const flat = upright.length > 0 && level.length > 0;
  const across = walk(box.left, box.right, upright, table, flat);
  const down = walk(box.high, box.low, level, table, flat);
  return across.flatMap((x) =>
    down.map((y): Region => {
      // Along x the way is the table's own; down the way runs against the table's y.
      const u: Point3 = { x: x.way.along, y: 0, z: x.way.z };
      const v: Point3 = { x: 0, y: y.way.along, z: -y.way.z };
      const z = x.start.z + y.start.z;
      const origin: Point3 = {
        x: x.start.along - x.from * u.x,
        y: -y.start.along - y.from * v.y,
        z: z - x.from * u.z - y.from * v.z,
      };
      const motion: Motion = { origin, u, v };
      return {
        face: faceOf(cross(u, v)),
        within: [
          { normal: { x: 1, y: 0 }, limit: x.to },
          { normal: { x: -1, y: 0 }, limit: -x.from },
          { normal: { x: 0, y: 1 }, limit: y.from },
          { normal: { x: 0, y: -1 }, limit: -y.to },
        ],
        motion,
      };
    }),
  );
}
