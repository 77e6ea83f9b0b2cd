import { designNames, groupBy, methodAt, type Plan, stepText, turnedPieces, yarnOf } from '@fennot/core';
import { Pause, Play, SkipBack, SkipForward, StepBack, StepForward } from 'lucide-react';
import { useEffect, useMemo, useRef } from 'react';
import { useSettings } from '../../api/queries.ts';
import { threadColour } from '../../drawing/thread-colour.ts';
import { Button } from '../../ui/Button.tsx';
import { shownStep, usePlayer } from './player.ts';

/** Time a step stays while playing, ms. */
const BEAT = 900;

/** The joining order in words, with a player that shows each step on both drawings. */
export function StepList({ plan }: { readonly plan: Plan }) {
  const { terms, system } = useSettings();
  const { step, playing, goTo, play } = usePlayer();
  const { index } = shownStep(plan, step);
  const last = plan.steps().length - 1;
  const current = useRef<HTMLLIElement>(null);

  useEffect(() => {
    if (!playing) return;
    const timer = setTimeout(() => (index < last ? goTo(index + 1) : play(false)), BEAT);
    return () => clearTimeout(timer);
  }, [playing, index, last, goTo, play]);
  // Not when the list is first shown: the top of the worktop is what one comes for.
  const shownFirst = useRef(index);
  useEffect(() => {
    if (shownFirst.current === index) return;
    shownFirst.current = -1;
    current.current?.scrollIntoView({ block: 'nearest' });
  }, [index]);

  const runStart = (from: number, by: 1 | -1) => {
    const starts = plan.steps().flatMap((one, i) => (one.does === 'begin' ? [i] : []));
    return by > 0 ? (starts.find((i) => i > from) ?? last) : (starts.findLast((i) => i < from) ?? 0);
  };
  // Steps by run, in their order: the run of the step shown is spread out, the others are one line each.
  const runs = useMemo(() => {
    const numbered = plan.steps().map((one, i) => ({ one, i }));
    return [...groupBy(numbered, ({ one }) => one.run)].map(([run, steps]) => ({ run, steps }));
  }, [plan]);
  const reading = useMemo(() => {
    const { document } = plan;
    const yarnName = (id: string) => yarnOf(document, id).colourName;
    return { terms, system, yarnName, turned: turnedPieces(plan), design: designNames(plan) };
  }, [plan, terms, system]);
  return (
    <section aria-label="Steps" className="flex min-h-64 flex-col">
      <div className="sticky top-0 z-10 flex items-center gap-1 border-b border-line bg-card px-4 py-2">
        <Button
          look="bare"
          small
          aria-label="Back to the run before"
          onClick={() => goTo(runStart(index, -1))}
        >
          <SkipBack size={15} />
        </Button>
        <Button
          look="bare"
          small
          aria-label="One step back"
          aria-keyshortcuts=","
          onClick={() => goTo(index - 1)}
          disabled={index === 0}
        >
          <StepBack size={15} />
        </Button>
        <Button
          look="main"
          small
          aria-label={playing ? 'Pause' : 'Play the steps'}
          onClick={() => play(!playing)}
        >
          {playing ? <Pause size={15} /> : <Play size={15} />}
        </Button>
        <Button
          look="bare"
          small
          aria-label="One step on"
          aria-keyshortcuts="."
          onClick={() => goTo(index + 1)}
          disabled={index === last}
        >
          <StepForward size={15} />
        </Button>
        <Button look="bare" small aria-label="On to the next run" onClick={() => goTo(runStart(index, 1))}>
          <SkipForward size={15} />
        </Button>
        <span className="ml-auto text-xs text-soft tabular-nums">
          step {index + 1} of {last + 1}
        </span>
      </div>
      <ol className="px-2 py-2 text-sm">
        {runs.map(({ run, steps }) => {
          const open = steps.some(({ i }) => i === index);
          const title = plan.joins.runs[run - 1]?.title;
          const first = steps[0]?.i ?? 0;
          return (
            <li key={run}>
              <h4 className="text-sm font-semibold">
                <button
                  type="button"
                  aria-expanded={open}
                  onClick={() => goTo(first)}
                  className="flex w-full items-center gap-2 rounded-sm px-2 py-1.5 text-left hover:bg-ground"
                >
                  <span
                    className="inline-flex size-5 shrink-0 items-center justify-center rounded-full text-[11px] font-bold text-white"
                    style={{ background: threadColour(run) }}
                  >
                    {run}
                  </span>
                  <span className={open ? 'min-w-0' : 'min-w-0 truncate'}>{title}</span>
                  {!open && (
                    <span className="ml-auto shrink-0 text-xs font-normal text-soft tabular-nums">
                      {steps.length} {steps.length === 1 ? 'step' : 'steps'}
                    </span>
                  )}
                </button>
              </h4>
              {open && (
                <ol>
                  {steps.map(({ one, i }) => (
                    <li key={i} ref={i === index ? current : undefined}>
                      <button
                        type="button"
                        aria-current={i === index ? 'step' : undefined}
                        onClick={() => goTo(i)}
                        className={`w-full rounded-sm px-2 py-1 text-left ${
                          i === index ? 'bg-kingfisher-pale font-medium' : 'hover:bg-ground'
                        } ${one.does === 'join' || one.does === 'motif' ? '' : 'text-soft'}`}
                      >
                        {stepText(one, methodAt(plan, one.run), reading)}
                      </button>
                    </li>
                  ))}
                </ol>
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
