// @vitest-environment happy-dom
import type { MakeEvent } from '@fennot/core';
import { act, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Around } from '../testing/worktop.tsx';
import { FakeWorld } from './log/simulation.ts';
import { AT_IT, RestBar } from './RestBar.tsx';

const NOON = Date.UTC(2026, 2, 7, 12);
const MINUTE = 60_000;
const world = new FakeWorld(1);
/** A row every three minutes, from noon on. */
const rows = (minutes: number): MakeEvent[] =>
  Array.from({ length: Math.floor(minutes / 3) + 1 }, (_, i) => ({
    of: 'hidden',
    many: 1,
    id: world.id(NOON + 3 * i * MINUTE),
    at: NOON + 3 * i * MINUTE,
    device: world.device,
    plan: 1,
  }));

beforeEach(() => {
  vi.useFakeTimers({ now: NOON });
});
afterEach(() => {
  vi.useRealTimers();
});

function shown(minutes: number, breaks: 'on' | 'off' = 'on') {
  vi.setSystemTime(NOON + minutes * MINUTE);
  render(
    <Around settings={{ breaks }}>
      <RestBar log={{ events: rows(minutes) }} device={world.device} />
    </Around>,
  );
  return screen.queryByRole('status');
}

test('hands are reminded after forty minutes, not before, with the usual caution', () => {
  expect(shown(AT_IT / MINUTE - 1)).toBeNull();
  expect(shown(AT_IT / MINUTE + 2)?.textContent).toMatch(
    /42 minutes.*Stop at pain; if it lasts, see a clinician/,
  );
});

test('whoever does not want it is not reminded', () => {
  expect(shown(90, 'off')).toBeNull();
});

test('later is later: it is quiet for a while, and comes again', () => {
  shown(60);
  act(() => screen.getByRole('button', { name: 'Later' }).click());
  expect(screen.queryByRole('status')).toBeNull();
  act(() => void vi.advanceTimersByTime(5 * MINUTE));
  expect(screen.queryByRole('status')).toBeNull();
});
