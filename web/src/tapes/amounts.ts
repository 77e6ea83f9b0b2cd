/** Hours of work, to the half below ten and whole above. */
export function hours(minutes: number): string {
  const own = minutes / 60;
  return own < 10 ? `${Math.max(0.5, Math.round(own * 2) / 2)} h` : `${Math.round(own)} h`;
}
