import {
  type BagDocument,
  type Content,
  type ContentFit,
  formatLength,
  freeId,
  LIMITS,
  mm,
} from '@fennot/core';
import { Plus, X } from 'lucide-react';
import { useSettings } from '../../api/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { LengthField, TextField } from '../../ui/fields.tsx';
import { Row, Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';

const BINDS: Record<ContentFit['binds'], string> = {
  opening: 'the mouth',
  body: 'the way round the bag',
  height: 'the height up to the lowest rim',
};

/** What the bag must hold: boxes and cylinders, each with what decides whether it goes in. */
export function ContentsSection({ plan, store }: StationProps) {
  const { system } = useSettings();
  const contents = plan.document.brief.contents ?? [];
  const set = (next: Content[]) =>
    store.getState().change((doc): BagDocument => ({ ...doc, brief: { ...doc.brief, contents: next } }));
  const change = (content: Content) => set(contents.map((one) => (one.id === content.id ? content : one)));
  const fresh = () =>
    freeId(
      'thing',
      contents.map(({ id }) => id),
    );
  const full = contents.length >= LIMITS.contents;
  return (
    <Section title="What it must hold">
      {plan.contents.map(({ content, fits, lies, binds, room }) => (
        <div key={content.id} className="flex flex-col gap-1.5 border-b border-line pb-2.5 last:border-b-0">
          <div className="grid grid-cols-[1fr_auto] items-end gap-2">
            <TextField label="Thing" value={content.name} onChange={(name) => change({ ...content, name })} />
            <Button
              look="bare"
              small
              aria-label={`Remove ${content.name}`}
              onClick={() => set(contents.filter(({ id }) => id !== content.id))}
            >
              <X size={14} />
            </Button>
          </div>
          <Row>
            <LengthField
              label="high"
              value={content.height}
              onChange={(height) => change({ ...content, height })}
            />
            {content.shape === 'box' ? (
              <LengthField
                label="wide"
                value={content.width}
                onChange={(width) => change({ ...content, width })}
              />
            ) : (
              <LengthField
                label="across"
                value={content.diameter}
                onChange={(diameter) => change({ ...content, diameter })}
              />
            )}
            {content.shape === 'box' && (
              <LengthField
                label="thick"
                value={content.thickness}
                onChange={(thickness) => change({ ...content, thickness })}
              />
            )}
          </Row>
          <p className={`text-sm font-medium ${fits ? 'text-reed' : 'text-loosestrife'}`}>
            {fits
              ? `✓ Goes in${lies ? ' lying' : ''}; ${BINDS[binds]} leaves ${formatLength(room, system)}.`
              : binds === 'height'
                ? `✗ Stands ${formatLength(-room, system)} above the lowest place of the rim.`
                : `✗ Does not go in: ${BINDS[binds]} is ${formatLength(-room, system)} short.`}
          </p>
        </div>
      ))}
      <div className="flex gap-1.5">
        <Button
          small
          disabled={full}
          onClick={() =>
            set([
              ...contents,
              {
                shape: 'box',
                id: fresh(),
                name: 'Folder',
                height: mm(310),
                width: mm(240),
                thickness: mm(30),
              },
            ])
          }
        >
          <Plus size={13} /> A box or book
        </Button>
        <Button
          small
          disabled={full}
          onClick={() =>
            set([
              ...contents,
              { shape: 'cylinder', id: fresh(), name: 'Flask', height: mm(260), diameter: mm(75) },
            ])
          }
        >
          <Plus size={13} /> Something round
        </Button>
      </div>
      {full && <p className="text-xs text-soft">A bag is planned for at most {LIMITS.contents} things.</p>}
    </Section>
  );
}
