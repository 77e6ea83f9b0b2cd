import type { Materials } from '../layout/materials.ts';
import type { Choices, Control, Grip } from './control.ts';

/** Something that is there or not. */
export const yesNo = <C>(id: string, label: string, on: boolean, set: (on: boolean) => C): Control<C> => ({
  kind: 'choice',
  id,
  label,
  value: on ? 'yes' : 'no',
  options: [
    { value: 'no', label: 'No' },
    { value: 'yes', label: 'Yes' },
  ],
  set: (value) => set(value === 'yes'),
});

/** How many rounds each square has; nothing to set where nobody knows how it is made. */
export const squareRounds = <C>(
  { motif, rounds }: { readonly motif: string; readonly rounds: number },
  materials: Materials,
  set: (rounds: number) => C,
  grip?: Grip,
): Control<C>[] => {
  const { from, to } = materials.motifRounds(motif);
  if (from === to) return [];
  return [
    {
      kind: 'count',
      id: 'rounds',
      label: 'Rounds in each square',
      value: rounds,
      min: Math.min(from, rounds),
      max: to,
      step: 1,
      grip,
      set,
    },
  ];
};

/** Which swatch something is worked in; nothing to choose when there is only one. */
export const swatchChoice = <C>(
  id: string,
  label: string,
  swatch: string,
  { swatches }: Choices,
  set: (swatch: string) => C,
): Control<C>[] =>
  swatches.length < 2
    ? []
    : [
        {
          kind: 'choice',
          id,
          label,
          value: swatch,
          options: swatches.map((one) => ({ value: one.id, label: one.name })),
          set,
        },
      ];

/** The controls of a part, named after it: `Flap: rows`. They have no grips on the net. */
export const ofPart = <C>(id: string, name: string, controls: readonly Control<C>[]): Control<C>[] =>
  controls.map((control) => {
    const label = `${name}: ${control.label.charAt(0).toLowerCase()}${control.label.slice(1)}`;
    const named = { ...control, id: `${id}-${control.id}`, label };
    return named.kind === 'choice' ? named : { ...named, grip: undefined };
  });

/** Before the id of a panel, where one is among other choices. */
const BY_ROWS = 'rows:';

/** A panel by its rows as the value of a choice, and back: nothing where the value is another. */
export const panelValue = (panel: string): string => `${BY_ROWS}${panel}`;
export const panelOfValue = (value: string): string | undefined =>
  value.startsWith(BY_ROWS) ? value.slice(BY_ROWS.length) : undefined;

/** Panels by their rows to choose among. */
export const panelOptions = (panels: NonNullable<Choices['panels']>, word = 'By its rows') =>
  panels.map(({ id, name }) => ({ value: panelValue(id), label: `${word}: ${name}` }));

/** Whether the rows of a panel run across or stand upright. */
export const rowsRunChoice = <C>(
  upright: boolean,
  labels: { readonly across: string; readonly upright: string },
  set: (upright: boolean) => C,
): Control<C> => ({
  kind: 'choice',
  id: 'rows-run',
  label: 'Its rows run',
  value: upright ? 'upright' : 'across',
  options: [
    { value: 'across', label: labels.across },
    { value: 'upright', label: labels.upright },
  ],
  set: (value) => set(value === 'upright'),
});
