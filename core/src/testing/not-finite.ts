/** Where in some data a number is no number at all, as a path; nothing when all are finite. */
export function notFinite(value: unknown, path = '', seen = new Set<unknown>()): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : `${path} is ${value}`;
  if (typeof value !== 'object' || value === null || seen.has(value)) return undefined;
  seen.add(value);
  const parts = value instanceof Map ? [...value.entries()] : Object.entries(value);
  for (const [key, part] of parts) {
    const found = notFinite(part, `${path}/${String(key)}`, seen);
    if (found) return found;
  }
  return undefined;
}
