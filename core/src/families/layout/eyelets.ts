import { z } from 'zod';

/** Eyelets along a rim, for a cord that goes in and out. */
export const eyeletsSchema = z
  .int('Eyelets are whole.')
  .min(4, 'A drawstring needs at least 4 eyelets.')
  .max(200, 'At most 200 eyelets.')
  .multipleOf(2, 'Eyelets come in an even number: the cord goes in and out.');

/** The even number next to the one that was asked for. */
export const evenEyelets = (wanted: number): number => 2 * Math.round(wanted / 2);
