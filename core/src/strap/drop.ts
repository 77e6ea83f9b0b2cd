import type { Finished, SizeVariable } from '../fit/index.ts';
import { range90 } from '../gauge/index.ts';
import type { StrapPlan } from './straps.ts';

/** How far a stretch is off, as a share of itself: taken from a table, or from a strap that has hung. */
const STRETCH_ERROR = { estimated: 0.4, measured: 0.12 } as const;

/**
 * The drop of a strap as worked, under load: two straight halves from where it is fixed,
 * drop = √((hanging / 2)² − (apart / 2)²). Its range comes from the gauge, whose error all its rows share, and from
 * its stretch: var = drop'² hanging² ((sd unit / unit)² + (sd stretch / (1 + stretch))²), drop' = hanging / (4 drop).
 *
 * @param unit the size its length is counted in.
 */
export function dropOf(straps: StrapPlan, unit: SizeVariable): Finished {
  const stretch = straps.stretch / 100;
  const hanging = straps.count * straps.unit * (1 + stretch);
  const value = Math.sqrt(Math.max(0, (hanging / 2) ** 2 - (straps.apart / 2) ** 2));
  const slope = value > 0 ? hanging / (4 * value) : 0.5;
  const error = STRETCH_ERROR[straps.measured ? 'measured' : 'estimated'];
  const gauge = (slope * hanging * (unit.common / unit.value)) ** 2;
  const load = (slope * hanging * ((error * stretch) / (1 + stretch))) ** 2;
  const sd = Math.sqrt(gauge + load);
  const because: Finished['because'] = [
    { what: unit.what, share: gauge / (gauge + load || 1) },
    { what: { of: 'stretch' }, share: load / (gauge + load || 1) },
  ];
  return { value, sd, range: range90(value, sd), because: [...because].sort((a, b) => b.share - a.share) };
}
