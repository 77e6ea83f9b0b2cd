/** Numbers from 0 to 1 that look random and are the same for the same seed: a 32-bit xorshift with a multiplied output. */
export function randomOf(seed: number): () => number {
  let state = (seed ^ 0x9e3779b9) >>> 0 || 1;
  return () => {
    state ^= state << 13;
    state >>>= 0;
    state ^= state >>> 17;
    state ^= state << 5;
    state >>>= 0;
    return (Math.imul(state, 0x2545f491) >>> 0) / 4_294_967_296;
  };
}

/** A list in another order. */
export function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const next = [...list];
  for (let i = next.length - 1; i > 0; i--) {
    const k = Math.floor(random() * (i + 1));
    const [p, q] = [next[i], next[k]];
    if (p === undefined || q === undefined) continue;
    next[i] = q;
    next[k] = p;
  }
  return next;
}
