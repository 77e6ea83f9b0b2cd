import { FAULTS, type Fault, type Tried } from './faults.ts';
import { House } from './house.ts';

/** What all tries of a fault came to. */
export interface Row {
  readonly fault: string;
  readonly tries: number;
  readonly back: number;
  readonly acknowledged: number;
  readonly lost: number;
  readonly overwritten: number;
  readonly broken: number;
  readonly told: number;
  readonly foreign: number;
  readonly wrong: readonly string[];
}

const sum = (tried: readonly Tried[], of: (one: Tried) => number | undefined): number =>
  tried.reduce((total, one) => total + (of(one) ?? 0), 0);

function rowOf(fault: Fault, tried: readonly Tried[]): Row {
  return {
    fault: fault.name,
    tries: tried.length,
    back: tried.filter(({ back }) => back).length,
    acknowledged: sum(tried, ({ saves }) => saves?.acknowledged),
    lost: sum(tried, ({ saves }) => saves?.lost),
    overwritten: sum(tried, ({ saves }) => saves?.overwritten),
    broken: sum(tried, ({ saves }) => saves?.broken),
    told: sum(tried, ({ saves }) => saves?.told),
    foreign: sum(tried, ({ foreign }) => foreign),
    wrong: tried.flatMap(({ wrong }) => wrong ?? []),
  };
}

/** Tries every fault so many times on a Fennot of its own. */
export async function drilled(
  tries: number,
  {
    only,
    random = Math.random,
    told = () => {},
  }: { only?: RegExp; random?: () => number; told?: (row: Row) => void } = {},
): Promise<Row[]> {
  const house = await House.build();
  const rows: Row[] = [];
  try {
    await house.start();
    for (const fault of FAULTS.filter(({ name }) => only?.test(name) ?? true)) {
      const tried: Tried[] = [];
      for (let i = 0; i < tries; i++)
        tried.push(
          await fault
            .of(house, random)
            .catch((error: unknown): Tried => ({ back: false, wrong: String(error) })),
        );
      const row = rowOf(fault, tried);
      rows.push(row);
      told(row);
    }
  } finally {
    await house.raze();
  }
  return rows;
}

/** Whether nothing was lost, and Fennot was there again each time. */
export const sound = ({ tries, back, lost, overwritten, foreign, wrong }: Row): boolean =>
  back === tries && lost === 0 && overwritten === 0 && foreign === 0 && wrong.length === 0;
