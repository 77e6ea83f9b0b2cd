import type { TopKind, Tops } from './count/tops.ts';
import type { Hold } from './shorthand/instruction.ts';

/** A top as it is seen from in front: a stitch held from behind shows the other side. */
export interface SeenTop {
  readonly kind: TopKind;
  readonly hold: Hold;
}

const BEHIND: Record<Hold, Hold> = {
  both: 'both',
  back: 'front',
  front: 'back',
  'front-post': 'back-post',
  'back-post': 'front-post',
};

/** A top seen from its other side. */
export const seenFrom = ({ kind, hold }: SeenTop): SeenTop => ({ kind, hold: BEHIND[hold] });

/** The tops of a row as they are seen by who works it, in the order they are worked. */
export const seenTops = ({ kind, hold }: Tops): SeenTop[] =>
  kind.map((one, i) => ({ kind: one, hold: hold[i] ?? 'both' }));
