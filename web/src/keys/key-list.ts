import { STATIONS, stationName } from '../stations/station.ts';

export interface KeyEntry {
  readonly keys: readonly string[];
  readonly does: string;
}

/** Every key, by where it works. */
export const KEY_LIST: ReadonlyArray<{ readonly where: string; readonly keys: readonly KeyEntry[] }> = [
  {
    where: 'Everywhere',
    keys: [
      { keys: ['Ctrl', 'Z'], does: 'Undo' },
      { keys: ['Ctrl', 'Y'], does: 'Redo' },
      { keys: ['Ctrl', 'K'], does: 'Find a station, a piece, a seam or an action' },
      { keys: ['?'], does: 'Show these keys' },
      ...STATIONS.map((station, i) => ({ keys: [String(i + 1)], does: `Go to ${stationName[station]}` })),
    ],
  },
  {
    where: 'On the net, laid flat',
    keys: [
      { keys: ['←', '→', '↑', '↓'], does: 'Walk from piece to piece' },
      { keys: ['Shift', '→'], does: 'Walk along the edges of a piece' },
      { keys: ['m'], does: 'Go to the edge that meets this one' },
    ],
  },
  {
    where: 'Arrange, on the net',
    keys: [
      { keys: ['x'], does: 'Pick the motif up; on another one: the two change places' },
      { keys: ['r'], does: 'Turn it a step, a square by a quarter' },
      { keys: ['l'], does: 'Lock it where it lies, or free it' },
    ],
  },
  {
    where: 'Joins',
    keys: [
      { keys: ['.'], does: 'Next step' },
      { keys: [','], does: 'Step before' },
    ],
  },
];
