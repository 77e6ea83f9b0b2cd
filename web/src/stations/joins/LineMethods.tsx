import { type BagDocument, JOIN_METHODS, type JoinMethodId, methodName, type Plan } from '@fennot/core';
import { X } from 'lucide-react';
import { useSettings } from '../../api/queries.ts';
import { usePointed } from '../../drawing/pointed.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Row, Section } from '../../ui/Section.tsx';
import type { Outcome } from '../../ui/tell.ts';

interface LineMethodsProps {
  readonly plan: Plan;
  readonly set: (fields: Partial<BagDocument['joins']>) => Outcome;
}

/** Lines joined another way, or in another yarn, than the rest. */
export function LineMethods({ plan, set }: LineMethodsProps) {
  const { terms } = useSettings();
  const { point } = usePointed();
  const { joins, yarns } = plan.document;
  const lines = joins.lines ?? {};
  const put = (
    line: string,
    own: { method?: JoinMethodId | undefined; yarn?: string | undefined } | undefined,
  ) => {
    const { [line]: _, ...rest } = lines;
    set({ lines: own ? { ...rest, [line]: own } : rest });
  };
  const others = plan.lines.filter(({ line }) => !(line in lines));
  return (
    <Section title="Lines joined another way">
      {plan.lines
        .filter(({ line }) => line in lines)
        .map(({ line, name }) => {
          const own = lines[line] ?? {};
          return (
            <div
              key={line}
              onPointerEnter={() => point({ line })}
              onPointerLeave={() => point({})}
              className="rounded-sm border border-line p-2"
            >
              <div className="flex items-center justify-between text-sm font-semibold first-letter:uppercase">
                {name}
                <Button
                  look="bare"
                  small
                  aria-label={`${name}: join it like the rest`}
                  onClick={() => put(line, undefined)}
                >
                  <X size={14} />
                </Button>
              </div>
              <Row>
                <Choice
                  label={`${name}: joined by`}
                  value={own.method ?? joins.method}
                  options={JOIN_METHODS.map((id) => ({ value: id, label: methodName(id, terms) }))}
                  onChange={(method) => put(line, { ...own, method })}
                />
                <Choice
                  label={`${name}: yarn`}
                  value={own.yarn ?? joins.yarn}
                  options={yarns.map(({ id, colourName }) => ({ value: id, label: colourName }))}
                  onChange={(yarn) => put(line, { ...own, yarn })}
                />
              </Row>
            </div>
          );
        })}
      {others.length > 0 && (
        <Choice
          label="Join a line another way"
          value="none"
          options={[
            { value: 'none', label: 'choose a line ...' },
            ...others.map(({ line, name }) => ({ value: line, label: name })),
          ]}
          onChange={(line) => {
            if (line !== 'none') put(line, { method: joins.method === 'ridge' ? 'mattress' : 'ridge' });
          }}
        />
      )}
    </Section>
  );
}
