import {
  formatLength,
  type LogLine,
  logCsv,
  logJson,
  logLines,
  type MakeEvent,
  type MakeTask,
  minutesByDay,
  minutesOf,
  mm,
  readLog,
  sittingsOf,
} from '@fennot/core';
import { addDays, format, startOfDay } from 'date-fns';
import { Download, FolderOpen } from 'lucide-react';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { useSettings } from '../api/queries.ts';
import { Button } from '../ui/Button.tsx';
import { FileButton } from '../ui/FileButton.tsx';
import { fileName, saveText } from '../ui/files.ts';
import type { Making } from './log/use-logbook.ts';
import { durationText, lineText } from './show/log-words.ts';

const DaysChart = lazy(() => import('./DaysChart.tsx'));

/** A day as this maker's calendar has it. */
const dayOf = (moment: number) => ({
  name: format(moment, 'yyyy-MM-dd'),
  end: startOfDay(addDays(moment, 1)).getTime(),
});

interface LogViewProps {
  /** What the bag is called. */
  readonly name: string;
  readonly tasks: readonly MakeTask[];
  readonly making: Making;
}

/** What was done on a bag, day by day, and how long it took. */
export function LogView({ name, tasks, making }: LogViewProps) {
  const { events } = making.log;
  const { system } = useSettings();
  const say = (size: number) => formatLength(mm(size), system);
  const titles = useMemo(() => new Map(tasks.map(({ id, title }) => [id, title])), [tasks]);
  const sittings = useMemo(() => sittingsOf(events), [events]);
  const days = useMemo(() => byDay(logLines(events)), [events]);
  const minutes = useMemo(() => minutesByDay(sittings, dayOf), [sittings]);
  return (
    <div className="min-h-0 grow overflow-y-auto">
      <div className="mx-auto flex max-w-3xl flex-col gap-5 px-4 py-4">
        <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
          <h2 className="text-2xl">Log</h2>
          <p className="text-soft">
            {events.length === 0
              ? 'Nothing has been done yet. Whatever is counted beside the hook stands here.'
              : `${durationText(minutesOf(sittings))} in ${sittings.length} ${sittings.length === 1 ? 'sitting' : 'sittings'}, on ${minutes.size} ${minutes.size === 1 ? 'day' : 'days'}`}
          </p>
          <Link to="?" className="ml-auto font-medium text-kingfisher underline">
            To the table
          </Link>
        </div>
        {minutes.size > 1 && (
          <Suspense fallback={<div className="h-40" />}>
            <DaysChart minutes={minutes} />
          </Suspense>
        )}
        <NoteForm making={making} />
        {days.map(({ day, lines }) => (
          <section key={day} aria-label={day}>
            <h3 className="flex items-baseline gap-3 border-b border-line pb-1 text-base">
              {format(new Date(`${day}T12:00`), 'EEEE, d MMMM yyyy')}
              <span className="font-sans text-sm font-normal text-soft">
                {durationText(minutes.get(day) ?? 0)}
              </span>
            </h3>
            <ol className="mt-1 flex flex-col">
              {lines.map((line) => (
                <li key={line.id} className="grid grid-cols-[4rem_1fr] gap-2 py-0.5">
                  <time className="font-tape text-sm text-soft tabular-nums">
                    {format(line.from, 'HH:mm')}
                  </time>
                  <span>{lineText(line, (task) => titles.get(task), say)}</span>
                </li>
              ))}
            </ol>
          </section>
        ))}
        <Files name={name} events={events} making={making} />
      </div>
    </div>
  );
}

/** Lines by the day they begin on, the latest day first. */
function byDay(lines: readonly LogLine[]) {
  const days = new Map<string, LogLine[]>();
  for (const line of lines) {
    const day = format(line.from, 'yyyy-MM-dd');
    days.set(day, [...(days.get(day) ?? []), line]);
  }
  return [...days].sort(([a], [b]) => (a < b ? 1 : -1)).map(([day, own]) => ({ day, lines: own }));
}

/** A note of one's own, at this moment. */
function NoteForm({ making }: { readonly making: Making }) {
  const [text, setText] = useState('');
  const add = () => {
    const clean = text.trim();
    if (clean === '') return;
    making.does({ of: 'noted', text: clean });
    setText('');
  };
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <label className="grow">
        <span className="mb-0.5 block text-xs font-medium text-soft">Note</span>
        <textarea
          value={text}
          rows={2}
          maxLength={2000}
          onChange={(event) => setText(event.target.value)}
          className="w-full resize-y rounded-sm border border-line bg-card px-2 py-1 hover:border-kingfisher"
        />
      </label>
      <Button type="submit" className="min-h-11" disabled={text.trim() === ''}>
        Keep the note
      </Button>
    </form>
  );
}

interface FilesProps {
  readonly name: string;
  readonly events: readonly MakeEvent[];
  readonly making: Making;
}

/** The log out as a file, and in again. */
function Files({ name, events, making }: FilesProps) {
  const takeIn = async (file: File) => {
    const read = readLog(await file.text());
    if (!read.ok) return void toast.error(read.problem);
    const known = new Set(events.map(({ id }) => id));
    const fresh = read.events.filter(({ id }) => !known.has(id));
    making.takeIn(fresh);
    const bad = read.bad > 0 ? ` ${read.bad} entries could not be read, and were left out.` : '';
    toast.success(
      `${fresh.length} steps were taken in; ${read.events.length - fresh.length} were here already.${bad}`,
    );
  };
  return (
    <div className="flex flex-wrap gap-2 border-t border-line pt-4">
      <Button
        disabled={events.length === 0}
        onClick={() => saveText(logCsv(events), fileName(name, '.log.csv'), 'text/csv')}
      >
        <Download size={16} /> As CSV
      </Button>
      <Button
        disabled={events.length === 0}
        onClick={() => saveText(logJson(name, events), fileName(name, '.log.json'), 'application/json')}
      >
        <Download size={16} /> As JSON
      </Button>
      <FileButton
        label="A log as JSON or CSV"
        accept=".json,.csv,application/json,text/csv"
        onFile={(file) => void takeIn(file)}
      >
        <FolderOpen size={16} /> Take a log in
      </FileButton>
    </div>
  );
}
