/** Groups items by a key, keeping their order; keys come in the order they are first met. */
export function groupBy<T, K>(items: Iterable<T>, key: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const own = key(item);
    const list = groups.get(own);
    if (list) list.push(item);
    else groups.set(own, [item]);
  }
  return groups;
}
