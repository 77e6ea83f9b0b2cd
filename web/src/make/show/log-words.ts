import { type LogLine, type MakeEvent, MEASURE_WORDS, type Measured } from '@fennot/core';

const counted = (many: number, one: string, more = `${one}s`) => `${many} ${many === 1 ? one : more}`;

/** `1 h 25 min`, `40 min`, `under a minute`. */
export function durationText(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 1) return 'under a minute';
  const hours = Math.floor(whole / 60);
  return hours === 0 ? `${whole} min` : `${hours} h ${whole % 60} min`;
}

/** A line of the log in words. What the plan no longer has is called by its lasting name. */
export function lineText(
  line: LogLine,
  titleOf: (task: string) => string | undefined,
  say: (mm: number) => string,
): string {
  const called = (task: string) => titleOf(task) ?? task;
  switch (line.of) {
    case 'rows': {
      const word = line.task.startsWith('motif/') || line.task === 'edge' ? 'round' : 'row';
      return line.first === line.last
        ? `${called(line.task)}: ${word} ${line.first}`
        : `${called(line.task)}: ${word}s ${line.first} to ${line.last}`;
    }
    case 'finished':
      return line.many === 1 ? `${called(line.task)}: made` : `${called(line.task)}: ${line.many} made`;
    case 'stepped':
      return line.task === 'joins' ? `${counted(line.many, 'join')} worked` : `${called(line.task)}: done`;
    case 'hidden':
      return `${counted(line.many, 'end')} hidden`;
    case 'other':
      return otherText(line.event, line.task === undefined ? undefined : called(line.task), called, say);
  }
}

function otherText(
  event: MakeEvent,
  task: string | undefined,
  called: (task: string) => string,
  say: (mm: number) => string,
): string {
  const about = task === undefined ? '' : `${task}: `;
  switch (event.of) {
    case 'ripped':
      return `${about}ripped back to ${event.to}`;
    case 'left':
      return `${about}given up`;
    case 'noted':
      return `${about}${event.text}`;
    case 'measured':
      return `Measured: ${measuredText(event.what, called)}, ${say(event.mm)}`;
    case 'weighed':
      return `${event.grams} g left of ${event.yarn}`;
    case 'pictured':
      return `${about}a photo`;
    default:
      return about;
  }
}

/** What was under the tape. */
function measuredText(what: Measured, called: (task: string) => string): string {
  switch (what.of) {
    case 'motif':
      return `a motif of ${counted(what.rounds, 'round')}${what.blocked ? ', blocked' : ''}`;
    case 'rows':
      return `${called(what.task)}, ${counted(what.count, 'row')}`;
    case 'stitches':
      return `${called(what.task)}, ${counted(what.count, 'stitch', 'stitches')}`;
    case 'joined':
      return `${what.motifs} of ${counted(what.rounds, 'round')} joined in a row`;
    case 'tape':
      return `the bag’s ${MEASURE_WORDS[what.measure]}`;
  }
}
