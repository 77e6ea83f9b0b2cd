/**
 * `next`, with every part that equals its counterpart in `before` replaced by that counterpart: what did not change
 * stays the same object, so that whoever remembers by identity need not work it out again. Fields that are
 * undefined are left out, as they are in a file.
 */
export function keepSame<T>(before: unknown, next: T): T;
export function keepSame(before: unknown, next: unknown): unknown {
  if (Object.is(before, next) || typeof next !== 'object' || next === null) return next;
  if (Array.isArray(next)) {
    const old = Array.isArray(before) ? before : [];
    const kept = next.map((item, i) => keepSame(old[i], item));
    const same =
      Array.isArray(before) && old.length === kept.length && kept.every((item, i) => item === old[i]);
    return same ? before : kept;
  }
  const holds = typeof before === 'object' && before !== null && !Array.isArray(before);
  const old = new Map(holds ? Object.entries(before) : []);
  const kept = Object.entries(next)
    .filter(([, value]) => value !== undefined)
    .map(([key, value]) => [key, keepSame(old.get(key), value)] as const);
  const same =
    old.size === kept.length && kept.every(([key, value]) => old.has(key) && old.get(key) === value);
  return holds && same ? before : Object.fromEntries(kept);
}
