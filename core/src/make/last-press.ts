import type { MakeEvent } from './event.ts';
import { takenBack } from './record.ts';

/**
 * What *Back one* takes back: the last thing done that is about something, and stands. The last row of a piece takes it off the
 * hook by the same press: both go together.
 *
 * @param sorted events in their order.
 */
export function lastPress(
  sorted: readonly MakeEvent[],
  isAbout: (event: MakeEvent) => boolean,
): readonly MakeEvent[] {
  const back = takenBack(sorted);
  const standing = sorted.filter((event) => event.of !== 'undone' && !back.has(event.id) && isAbout(event));
  const last = standing.at(-1);
  if (!last) return [];
  const before = standing.at(-2);
  const together =
    last.of === 'finished' && before?.of === 'row' && before.work === last.work && before.row === last.rows;
  return together ? [last, before] : [last];
}
