import { repeatOf } from '../../fabric/index.ts';
import type { Multiple } from '../../panel/index.ts';
import type { Materials } from './materials.ts';

/** What a panel's stitch pattern asks of its count: what its fabric's rows come out over, or else what its maker says. */
export const stitchPattern = (said: Multiple, swatch: string, materials: Materials): Multiple =>
  materials.fabric(swatch)?.multiple ?? said;

/** Rows at which a fabric's repeats end; any number where it has but one row. */
export function rowPattern(swatch: string, materials: Materials): Multiple {
  const fabric = materials.fabric(swatch);
  return fabric
    ? { multiple: repeatOf(fabric), extra: fabric.repeated.first - 1 }
    : { multiple: 1, extra: 0 };
}
