import {
  boundsOf,
  type FillUp,
  formatLength,
  grainArrow,
  type LiningPiece,
  layLining,
  liningSvg,
  linings,
  mm,
  type Point,
  type ReadyVerdict,
} from '@fennot/core';
import { Download } from 'lucide-react';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import { useSettings } from '../../api/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField, NumberField } from '../../ui/fields.tsx';
import { fileName, saveText } from '../../ui/files.ts';
import { Row, Section } from '../../ui/Section.tsx';
import type { Outcome } from '../../ui/tell.ts';
import type { FinishProps } from './finish-props.ts';

const READY_TEXT: Record<ReadyVerdict, string> = {
  fits: '✓ The crochet comes out a little under it, and stretches to it.',
  'crochet too large': '✗ The crochet comes out larger than the bag: it would hang loose over it.',
  'crochet too small': '✗ The crochet does not reach round: more rounds, edge or another gauge.',
};

const points = (outline: readonly Point[]) => outline.map(({ x, y }) => `${x},${y}`).join(' ');

interface LiningSectionProps extends FinishProps {
  readonly pieces: readonly LiningPiece[];
  readonly ready: ReadyVerdict | undefined;
  readonly fill: FillUp | undefined;
  /** Works so many edge rounds in all. */
  readonly onFill: (swatch: string, rounds: number) => Outcome;
}

/** The lining: cutting shapes with their allowance, or a ready-made bag and whether it fits. */
export function LiningSection({ plan, finish, set, pieces, ready, fill, onFill }: LiningSectionProps) {
  const { system } = useSettings();
  const { id } = useParams();
  const { lining } = finish;
  const size = (name: string) => plan.tapes.find(({ measure }) => measure === name)?.finished.value ?? 300;
  const allowance = lining?.of === 'cloth' ? lining.allowance : 10;
  const sheet = useMemo(() => layLining(pieces, allowance), [pieces, allowance]);
  return (
    <Section title="Lining">
      <Choice
        label="Lined with"
        value={lining?.of ?? 'none'}
        options={[
          { value: 'none', label: 'Nothing' },
          { value: 'cloth', label: 'Cloth, cut to shape' },
          { value: 'ready', label: 'A ready-made bag' },
        ]}
        onChange={(of) =>
          set({
            lining:
              of === 'none'
                ? undefined
                : of === 'cloth'
                  ? { of: 'cloth', allowance: 10 }
                  : { of: 'ready', width: Math.round(size('width')), height: Math.round(size('height')) },
          })
        }
      />
      {lining?.of === 'cloth' && (
        <>
          <svg
            viewBox={`0 0 ${sheet.width} ${sheet.height}`}
            className="max-h-52 w-full rounded-sm bg-table"
            role="img"
            aria-label={`Cutting shapes: ${pieces.map(({ name, cut }) => `${name}, cut ${cut}`).join('; ')}`}
          >
            {sheet.pieces.map(({ piece, seam, cutting, notches, grain, label }) => (
              <g key={piece.name}>
                <polygon points={points(cutting)} fill="var(--card)" stroke="var(--ink)" strokeWidth={1.5} />
                <polygon
                  points={points(seam)}
                  fill="none"
                  stroke="var(--kingfisher)"
                  strokeWidth={1.5}
                  strokeDasharray="8 5"
                />
                {notches.map(({ x, y }, i) => (
                  <circle key={i} cx={x} cy={y} r={4} fill="var(--loosestrife)" />
                ))}
                <path d={grainArrow(grain, 14)} fill="none" stroke="var(--soft)" strokeWidth={1.5} />
                <text
                  x={label.x}
                  y={label.y}
                  textAnchor="middle"
                  fontSize={0.028 * sheet.width}
                  fill="var(--ink)"
                >
                  {piece.name}, cut {piece.cut}
                </text>
              </g>
            ))}
          </svg>
          <NumberField
            label="Seam allowance, mm"
            name="allowance"
            value={lining.allowance}
            bounds={boundsOf(linings.cloth.shape.allowance)}
            onChange={(value) => set({ lining: { ...lining, allowance: value } })}
          />
          <div className="flex items-center gap-3">
            <Button
              onClick={() =>
                saveText(
                  liningSvg(pieces, allowance, `Lining of ${plan.document.name}`),
                  fileName(`${plan.document.name} lining`, '.svg'),
                  'image/svg+xml',
                )
              }
            >
              <Download size={14} /> SVG, true size
            </Button>
            {id && (
              <a
                href={`/api/bags/${id}/lining.pdf`}
                target="_blank"
                rel="noreferrer"
                className="text-sm font-medium text-kingfisher underline"
              >
                PDF on A4 pages
              </a>
            )}
          </div>
          <p className="text-xs text-soft">
            Dashed: the seam line; dots meet dots. Print at 100 % and measure the square of{' '}
            {formatLength(mm(sheet.checkSide), system)}.
          </p>
        </>
      )}
      {lining?.of === 'ready' && (
        <>
          <Row>
            <LengthField
              label="Its width"
              value={mm(lining.width)}
              bounds={boundsOf(linings.ready.shape.width)}
              onChange={(width) => set({ lining: { ...lining, width } })}
            />
            <LengthField
              label="Its height"
              value={mm(lining.height)}
              bounds={boundsOf(linings.ready.shape.height)}
              onChange={(height) => set({ lining: { ...lining, height } })}
            />
          </Row>
          {ready && (
            <p
              className={`text-sm ${ready === 'fits' ? 'text-reed' : 'text-loosestrife'}`}
              data-testid="ready-verdict"
            >
              {READY_TEXT[ready]}
            </p>
          )}
        </>
      )}
      {fill && (
        <p className="flex flex-wrap items-center gap-2 text-sm" data-testid="fill-up">
          {fill.hem === 0
            ? 'It comes up to the rim without edge rounds.'
            : fill.under === fill.hem
              ? `${fill.hem} edge rounds bring it up to the rim.`
              : `${fill.under} edge rounds bring it to just under the rim, stretched to it; ${fill.hem} up to the hem itself.`}
          {[...new Set([fill.under, fill.hem])]
            .filter((rounds) => rounds > 0 && rounds !== (plan.document.features?.edge?.rounds ?? 0))
            .map((rounds) => (
              <Button key={rounds} small onClick={() => onFill(fill.swatch, rounds)}>
                Work {rounds}
              </Button>
            ))}
        </p>
      )}
    </Section>
  );
}
