import { useGesture } from '@use-gesture/react';
import { type RefObject, useState } from 'react';

/** How a drawing is looked at: so much larger than it fits, moved by so many pixels. */
export interface Look {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

export const WHOLE: Look = { scale: 1, x: 0, y: 0 };
const MOST = 60;
/** One turn of a wheel, and one press of a button. */
const WHEEL = 0.0016;
export const STEP = 1.6;

/** The look that is larger by so much about a place, in pixels from the middle. */
export function zoomed(look: Look, by: number, at: { readonly x: number; readonly y: number }): Look {
  const scale = Math.min(MOST, Math.max(1, look.scale * by));
  // All of it is looked at from the middle.
  if (scale === 1) return WHOLE;
  const more = scale / look.scale;
  return { scale, x: at.x - (at.x - look.x) * more, y: at.y - (at.y - look.y) * more };
}

/** Zooms by wheel, pinch and button, moves by drag. */
export function useZoom(element: RefObject<HTMLElement | null>) {
  const [look, setLook] = useState<Look>(WHOLE);
  const fromMiddle = (x: number, y: number) => {
    const box = element.current?.getBoundingClientRect();
    return box ? { x: x - box.left - box.width / 2, y: y - box.top - box.height / 2 } : { x: 0, y: 0 };
  };
  useGesture(
    {
      onDrag: ({ delta: [x, y] }) =>
        setLook((now) => (now.scale === 1 ? now : { ...now, x: now.x + x, y: now.y + y })),
      onWheel: ({ event, delta: [, y] }) => {
        event.preventDefault();
        setLook((now) => zoomed(now, Math.exp(-y * WHEEL), fromMiddle(event.clientX, event.clientY)));
      },
      onPinch: ({ origin: [x, y], offset: [scale] }) =>
        setLook((now) => zoomed(now, scale / now.scale, fromMiddle(x, y))),
    },
    { target: element, eventOptions: { passive: false }, pinch: { from: () => [look.scale, 0] } },
  );
  return {
    look,
    larger: () => setLook((now) => zoomed(now, STEP, { x: 0, y: 0 })),
    smaller: () => setLook((now) => zoomed(now, 1 / STEP, { x: 0, y: 0 })),
    whole: () => setLook(WHOLE),
  };
}
