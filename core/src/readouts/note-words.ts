import { type Note, notesOf, type Plan } from '../plan/index.ts';
import { MEASURE_WORDS } from './measure-words.ts';

/** A note in a few words, to stand beside the name of its station. */
export function noteText(note: Note): string {
  switch (note.is) {
    case 'no target':
      return 'no target yet';
    case 'does not fit':
      return 'something does not fit';
    case 'not measured':
      return 'not measured';
    case 'off':
      return `${note.measures.map((measure) => MEASURE_WORDS[measure]).join(' and ')} off`;
    case 'short':
      return `${note.by} too few`;
    case 'twins':
      return note.pairs === 1 ? 'twins touch' : `${note.pairs} pairs of twins`;
    case 'does not come out':
      return 'does not come out';
  }
}

/** What still wants the maker at each station, in a few words; the later of two notes at one station is the weightier. */
export const noteTexts = (plan: Plan): ReadonlyMap<Note['at'], string> =>
  new Map(notesOf(plan).map((note) => [note.at, noteText(note)]));
