import { type Form, halfOf, type Packed } from '../../fit/index.ts';
import type { Body, Turn, Vec } from './body.ts';

/** Things begin so thin, mm, and grow to their thickness. */
const THIN = 2;
/** What a thing of its size weighs, against soft filling. */
const HEAVY = 3;

/** A form so many times as large. */
export const scaled = (form: Form, by: number): Form =>
  form.is === 'box'
    ? { is: 'box', half: [form.half[0] * by, form.half[1] * by, form.half[2] * by] }
    : { ...form, radius: form.radius * by, half: form.half * by };

/** A form that has grown to a share of its thickness from front to back, in units. */
export function grown(form: Form, share: number, unit: number): Form {
  const thin = (full: number) => THIN / 2 + (full - THIN / 2) * share;
  const now: Form =
    form.is === 'box'
      ? { is: 'box', half: [form.half[0], form.half[1], thin(form.half[2])] }
      : form.axis === 2
        ? { ...form, half: thin(form.half) }
        : { ...form, radius: thin(form.radius) };
  return scaled(now, 1 / unit);
}

/** A thing as it begins: thin, where it is put, at rest; in units. */
export function bodyOf(
  { content, form, at: middle }: Packed,
  place: (p: Vec) => Vec,
  turn: Turn,
  unit: number,
): Body {
  const [x, y, z] = place(middle);
  const [a, b, c] = halfOf(form).map((half) => (2 * half) / unit);
  if (a === undefined || b === undefined || c === undefined) throw new Error('A thing without size.');
  const mass = HEAVY * a * b * c;
  // As a box of its extents: what turns it need not be exact, it only comes to rest.
  const inertia = (p: number, q: number) => 12 / (mass * (p * p + q * q));
  return {
    id: content.id,
    form: grown(form, 0, unit),
    at: [x / unit, y / unit, z / unit],
    turn,
    speed: [0, 0, 0],
    spin: [0, 0, 0],
    inverseMass: 1 / mass,
    inverseInertia: [inertia(b, c), inertia(a, c), inertia(a, b)],
    wasAt: [0, 0, 0],
    wasTurned: turn,
  };
}
