import type { Form } from '../../fit/index.ts';

/** Three numbers: a place, a way, a turning. */
export type Vec = [number, number, number];
/** A turning as a unit quaternion: x, y, z, w. */
export type Turn = [number, number, number, number];

/** Something rigid that lies in the bag. In units of the cloth. */
export interface Body {
  /** What it is. */
  readonly id: string;
  form: Form;
  at: Vec;
  turn: Turn;
  speed: Vec;
  spin: Vec;
  readonly inverseMass: number;
  /** About its own axes. */
  readonly inverseInertia: Vec;
  /** Where it was at the beginning of the step. */
  wasAt: Vec;
  wasTurned: Turn;
}

/** Turns a vector of the body's own into space, or back. */
export function turned([x, y, z, w]: Turn, [a, b, c]: Vec): Vec {
  const tx = 2 * (y * c - z * b);
  const ty = 2 * (z * a - x * c);
  const tz = 2 * (x * b - y * a);
  return [a + w * tx + y * tz - z * ty, b + w * ty + z * tx - x * tz, c + w * tz + x * ty - y * tx];
}

export const back = ([x, y, z, w]: Turn): Turn => [-x, -y, -z, w];

/** A turning after a small one about a way in space, by its length. */
function turnedOn([x, y, z, w]: Turn, [a, b, c]: Vec): Turn {
  const q: Turn = [
    x + 0.5 * (a * w + b * z - c * y),
    y + 0.5 * (b * w + c * x - a * z),
    z + 0.5 * (c * w + a * y - b * x),
    w - 0.5 * (a * x + b * y + c * z),
  ];
  const length = Math.hypot(...q) || 1;
  return [q[0] / length, q[1] / length, q[2] / length, q[3] / length];
}

export const cross = ([a, b, c]: Vec, [d, e, f]: Vec): Vec => [b * f - c * e, c * d - a * f, a * e - b * d];

/** How a body weighs against a push along `way` at `arm` from its middle: the inverse of that mass. */
export function yielding({ inverseMass, inverseInertia, turn }: Body, arm: Vec, way: Vec): number {
  const [x, y, z] = turned(back(turn), cross(arm, way));
  const [ix, iy, iz] = inverseInertia;
  return inverseMass + x * x * ix + y * y * iy + z * z * iz;
}

/** Moves a body by a push of a size along `way` at `arm` from its middle. */
export function pushBody(body: Body, arm: Vec, way: Vec, size: number): void {
  const { at, inverseMass, inverseInertia, turn } = body;
  for (const k of [0, 1, 2] as const) at[k] += size * inverseMass * way[k];
  const [x, y, z] = turned(back(turn), cross(arm, way));
  const [ix, iy, iz] = inverseInertia;
  body.turn = turnedOn(turn, turned(turn, [size * ix * x, size * iy * y, size * iz * z]));
}

/** Moves a body on by its speed over a step of length h. */
export function drift(body: Body, gravity: number, h: number): void {
  body.wasAt = [...body.at];
  body.wasTurned = body.turn;
  body.speed[1] -= gravity * h;
  for (const k of [0, 1, 2] as const) body.at[k] += h * body.speed[k];
  const [a, b, c] = body.spin;
  body.turn = turnedOn(body.turn, [a * h, b * h, c * h]);
}

/** The speed a body has had over the step, less what is lost. */
export function settleBody(body: Body, h: number, keep: number, fastest: number): void {
  const capped = (speed: number) => Math.max(-fastest, Math.min(fastest, speed));
  for (const k of [0, 1, 2] as const) body.speed[k] = capped((keep * (body.at[k] - body.wasAt[k])) / h);
  // The turning between the two, as twice its vector part.
  const [x, y, z, w] = body.turn;
  const [a, b, c, d] = back(body.wasTurned);
  const q: Turn = [
    w * a + x * d + y * c - z * b,
    w * b - x * c + y * d + z * a,
    w * c + x * b - y * a + z * d,
    w * d - x * a - y * b - z * c,
  ];
  const sign = q[3] < 0 ? -2 : 2;
  body.spin = [
    capped((keep * sign * q[0]) / h),
    capped((keep * sign * q[1]) / h),
    capped((keep * sign * q[2]) / h),
  ];
}

/** How far outside a body's skin a place of its own lies (negative inside), and the way straight out there. */
export function outside(form: Form, p: Vec): { readonly off: number; readonly way: Vec } {
  if (form.is === 'box') {
    const over: Vec = [
      Math.abs(p[0]) - form.half[0],
      Math.abs(p[1]) - form.half[1],
      Math.abs(p[2]) - form.half[2],
    ];
    return nearestOf(over, (k, amount) => {
      const way: Vec = [0, 0, 0];
      way[k] = p[k] < 0 ? -amount : amount;
      return way;
    });
  }
  const { axis, radius, half } = form;
  const [j, k] = [((axis + 1) % 3) as 0 | 1 | 2, ((axis + 2) % 3) as 0 | 1 | 2];
  const out = Math.hypot(p[j], p[k]);
  const over: Vec = [Math.abs(p[axis]) - half, out - radius, -Infinity];
  return nearestOf(over, (which, amount) => {
    const way: Vec = [0, 0, 0];
    if (which === 0) way[axis] = p[axis] < 0 ? -amount : amount;
    else {
      way[j] = out < 1e-9 ? amount : (amount * p[j]) / out;
      way[k] = out < 1e-9 ? 0 : (amount * p[k]) / out;
    }
    return way;
  });
}

/** From how far a place lies over each side of a form: inside, the nearest side counts; outside, all that it is over. */
function nearestOf(over: Vec, wayOf: (k: 0 | 1 | 2, amount: number) => Vec): { off: number; way: Vec } {
  const most = over[0] >= over[1] && over[0] >= over[2] ? 0 : over[1] >= over[2] ? 1 : 2;
  if (over[most] <= 0) return { off: over[most], way: wayOf(most, 1) };
  const off = Math.hypot(Math.max(0, over[0]), Math.max(0, over[1]), Math.max(0, over[2]));
  const way: Vec = [0, 0, 0];
  for (const k of [0, 1, 2] as const) {
    if (over[k] <= 0) continue;
    const part = wayOf(k, over[k] / off);
    for (const i of [0, 1, 2] as const) way[i] += part[i];
  }
  return { off, way };
}

/** Places on a body's edges, no farther apart than `spacing`; its corners among them. */
export function edgePlaces(form: Form, spacing: number): Vec[] {
  const between = (from: Vec, to: Vec): Vec[] => {
    const long = Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]);
    const many = Math.max(1, Math.ceil(long / spacing));
    return Array.from({ length: many }, (_, i): Vec => {
      const t = i / many;
      return [
        from[0] + (to[0] - from[0]) * t,
        from[1] + (to[1] - from[1]) * t,
        from[2] + (to[2] - from[2]) * t,
      ];
    });
  };
  if (form.is === 'round') {
    const { axis, radius, half } = form;
    const many = Math.max(8, Math.ceil((2 * Math.PI * radius) / spacing));
    return [-half, half].flatMap((end) =>
      Array.from({ length: many }, (_, i): Vec => {
        const angle = (2 * Math.PI * i) / many;
        const p: Vec = [0, 0, 0];
        p[axis] = end;
        p[(axis + 1) % 3] = radius * Math.cos(angle);
        p[(axis + 2) % 3] = radius * Math.sin(angle);
        return p;
      }),
    );
  }
  const [x, y, z] = form.half;
  const corner = (i: number): Vec => [i & 1 ? x : -x, i & 2 ? y : -y, i & 4 ? z : -z];
  const places: Vec[] = [];
  for (let i = 0; i < 8; i++)
    for (const bit of [1, 2, 4]) if (!(i & bit)) places.push(...between(corner(i), corner(i | bit)));
  // Every edge is counted from its lower corner on: the last corner begins none.
  places.push(corner(7));
  return places;
}
