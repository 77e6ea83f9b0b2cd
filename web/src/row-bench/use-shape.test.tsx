// @vitest-environment happy-dom
import { cleanup, renderHook, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import type { ShapeAsk } from './shape.ts';
import { useShape } from './use-shape.ts';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const ask = (stitches: number): ShapeAsk => ({
  written: { rows: `ch ${stitches}\nRow 1: ${stitches} sc\nRows 2-6: sc across`, terms: 'us' },
  stitch: 'low',
  turning: 'does-not-count',
  sizes: { sizes: { pitch: 6, row: 6, usual: 0.95 }, rowEndRate: 1, sections: [] },
});
const widest = (shape: ReturnType<typeof useShape>) => shape && Math.round(shape.widest.width);

describe('a shape found beside what is typed', () => {
  test('where there are no workers it is found here, and follows what is asked', async () => {
    vi.stubGlobal('Worker', undefined);
    const { result, rerender } = renderHook(({ own }) => useShape(own), {
      initialProps: { own: ask(10) as ShapeAsk | undefined },
    });
    await waitFor(() => expect(widest(result.current)).toBe(60));
    rerender({ own: ask(15) });
    await waitFor(() => expect(widest(result.current)).toBe(90));
    rerender({ own: undefined });
    expect(result.current).toBeUndefined();
  });

  test('a worker that is lost leaves nothing unfound', async () => {
    /** Begins, says nothing, and fails. */
    class Lost {
      onerror: (() => void) | undefined;
      constructor() {
        setTimeout(() => this.onerror?.(), 5);
      }
      postMessage() {}
      addEventListener() {}
      removeEventListener() {}
      terminate() {}
    }
    vi.stubGlobal('Worker', Lost);
    const { result, rerender } = renderHook(({ own }) => useShape(own), { initialProps: { own: ask(10) } });
    // Asked again before the first is answered: the last is what counts.
    rerender({ own: ask(20) });
    await waitFor(() => expect(widest(result.current)).toBe(120));
  });
});
