import { formatLength, MEASURE_NAMES, motifOf, type Plan, type Sized, swatchOf } from '@fennot/core';
import { useSettings } from '../../api/queries.ts';
import { Section } from '../../ui/Section.tsx';

/** What is off target and by how much, and what the sizes rest on. */
export function OffTarget({ plan }: { readonly plan: Plan }) {
  const { system } = useSettings();
  const wanted = plan.tapes.filter(({ target }) => target);
  const estimated = plan.sizes.filter(({ origin }) => origin === 'estimated');
  return (
    <Section title="Against the target">
      {wanted.length === 0 && <p className="text-sm text-soft">No target is set: see Brief.</p>}
      <ul className="text-sm">
        {wanted.map(({ measure, verdict, off }) => (
          <li key={measure} className="flex justify-between gap-2">
            <span>{MEASURE_NAMES[measure]}</span>
            <span
              className={
                verdict === 'under' || verdict === 'over' ? 'font-semibold text-loosestrife' : 'text-reed'
              }
            >
              {Math.abs(off) < 1
                ? 'as wanted'
                : `${formatLength(Math.abs(off), system)} ${off < 0 ? 'too small' : 'too large'}`}
              {verdict === 'likely' || verdict === 'reached' ? ', within reach' : ''}
            </span>
          </li>
        ))}
      </ul>
      {estimated.length > 0 && (
        <p className="text-xs text-soft">
          The bands are wide as long as sizes are estimated. Measure at <b>Swatch</b>:{' '}
          {[...new Set(estimated.map(({ what }) => sizeWords(plan, what)))].join(', ')}.
        </p>
      )}
    </Section>
  );
}

function sizeWords({ document }: Plan, what: Sized): string {
  switch (what.of) {
    case 'motif':
      return `a finished ${motifOf(document, what.motif).name}`;
    case 'join':
      return 'a joined strip';
    case 'stretch':
      return 'a strap that has hung';
    case 'pitch':
    case 'row': {
      const swatch = swatchOf(document, what.swatch).name;
      return what.of === 'pitch' ? `stitches of ${swatch}` : `rows of ${swatch}`;
    }
  }
}
