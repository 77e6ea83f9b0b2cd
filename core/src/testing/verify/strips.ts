import { controlsOf } from '../../plan/index.ts';
import { type Check, differ } from './check.ts';

/** The two ways of counting a strip, each against what pressing its button gives, and by hand from its way. */
export const strips: Check = {
  name: 'Strips against their ways',
  how: 'rows by length and by count as the buttons set them, and as each side of the way divided anew; what a button sets comes out by that school',
  of({ document, marked, lines, graph }) {
    const strip = marked.find(({ piece }) => piece === 'strip');
    if (!strip) return [];
    const matches = lines.filter(({ line }) => strip.lines.includes(line));
    const rate = (graph.pieces.find(({ id }) => id === 'strip')?.edges[strip.edge]?.loops ?? 0) / strip.total;
    const multiple = graph.pieces.find(({ id }) => id === 'strip')?.make;
    const whole = multiple?.of === 'panel' && multiple.multiple && multiple.multiple.multiple > 1;
    const partner = (match: (typeof matches)[number]) =>
      match.b.pieces.includes('Strip') ? match.a : match.b;
    const each = (of: (side: ReturnType<typeof partner>) => number) =>
      matches.reduce((sum, match) => sum + Math.max(1, Math.floor(of(partner(match)) + 0.5 + 1e-6)), 0);
    const set = controlsOf(document).flatMap((control) =>
      control.kind === 'choice' && control.fits
        ? [control.options.map(({ value, label }) => [value, label] as const)]
        : [],
    )[0];
    const told = (value: string) =>
      Number(/(\d+)$/.exec(set?.find(([own]) => own === value)?.[1] ?? '')?.[1]);
    return [
      ...(whole
        ? []
        : differ(
            'Rows by length',
            strip.byLength,
            each(({ length }) => length / strip.unit),
            0,
          )),
      ...(whole
        ? []
        : differ(
            'Rows by count',
            strip.byCount,
            each(({ loops }) => loops / rate),
            0,
          )),
      ...(set ? differ('Rows the button sets by length', told('way'), strip.byLength, 0) : []),
      ...(set ? differ('Rows the button sets by count', told('loops'), strip.byCount, 0) : []),
    ];
  },
};
