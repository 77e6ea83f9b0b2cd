import { type Construction, type NetEditor, ownOf, type Plan } from '@fennot/core';
import { Eraser, PencilRuler, Wand2 } from 'lucide-react';
import { useMemo } from 'react';
import { type NetTool, useNetTool } from '../../flat/net-tool.ts';
import { planFor } from '../../open-bag/plans.ts';
import { Button } from '../../ui/Button.tsx';
import { Section } from '../../ui/Section.tsx';
import { Switcher } from '../../ui/Switcher.tsx';
import type { Outcome } from '../../ui/tell.ts';

const TOOL_NAMES: Record<NetTool, string> = {
  square: 'Squares',
  panel: 'Panels',
  fold: 'Folds',
  pair: 'Edges',
};

const TOOL_HELP: Record<NetTool, string> = {
  square: 'Press a dashed place to lay a square there; press a square to take it away.',
  panel: 'Press a dashed place to lay a panel of a square’s size; press a square to make it one.',
  fold: 'Press a line: once folds it over, twice folds it up into a wall, three times takes the fold away.',
  pair: 'Press an open edge (yellow), then the edge it meets. Press a closed one to part it.',
};

interface OwnNetSectionProps {
  readonly editor: NetEditor<Construction>;
  readonly onChange: (construction: Construction) => Outcome;
}

/** Tools for a net that is laid piece by piece, and what it still wants. */
export function OwnNetSection({ editor, onChange }: OwnNetSectionProps) {
  const { tool, choose } = useNetTool();
  const open = editor.edges.filter(({ partner }) => partner === undefined).length;
  const { many, close } = editor.suggested;
  return (
    <Section title="Your net">
      <Switcher
        label="What a press on the net does"
        value={tool}
        options={(['square', 'panel', 'fold', 'pair'] as const).map((value) => ({
          value,
          label: TOOL_NAMES[value],
        }))}
        onChange={choose}
      />
      <p className="text-sm text-soft">{TOOL_HELP[tool]}</p>
      <p className="text-sm" data-testid="net-state">
        {editor.pieces.length} {editor.pieces.length === 1 ? 'piece' : 'pieces'}, {open}{' '}
        {open === 1 ? 'edge' : 'edges'} open.
      </p>
      {many > 0 && (
        <Button look="main" className="self-start" onClick={() => onChange(close())}>
          <Wand2 size={15} /> Close the {many} {many === 1 ? 'pair' : 'pairs'} with only one partner
        </Button>
      )}
      {editor.pieces.length > 1 && (
        <Button small className="self-start" onClick={() => onChange(editor.clear())}>
          <Eraser size={14} /> Begin again from one square
        </Button>
      )}
      {editor.problems.length > 0 && (
        <ul className="flex flex-col gap-1 text-sm text-loosestrife" aria-label="What the net still wants">
          {editor.problems.map((problem) => (
            <li key={problem}>✗ {problem}</li>
          ))}
        </ul>
      )}
    </Section>
  );
}

/** Goes on from the bag on the table, piece by piece. */
export function MakeOwn({
  plan,
  onChange,
}: {
  readonly plan: Plan;
  readonly onChange: OwnNetSectionProps['onChange'];
}) {
  // From the document itself: what is shown may be its mirror image.
  const own = useMemo(() => {
    const answer = planFor(plan.document);
    return answer.ok ? ownOf(answer.plan) : undefined;
  }, [plan.document]);
  if (!own) return null;
  return (
    <Button small className="self-start" onClick={() => onChange(own)}>
      <PencilRuler size={14} /> Change this net piece by piece
    </Button>
  );
}
