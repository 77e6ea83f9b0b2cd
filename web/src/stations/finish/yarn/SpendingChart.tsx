import { type BagDocument, type Enough, type SpendingStep, yarnOf } from '@fennot/core';
import {
  Chart,
  type ChartOptions,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { Line } from 'react-chartjs-2';
import { useSettings } from '../../../api/queries.ts';

Chart.register(LinearScale, PointElement, LineElement, LineController, Tooltip);

interface SpendingChartProps {
  readonly document: BagDocument;
  readonly spending: readonly SpendingStep[];
  readonly all: readonly Enough[];
}

/** A curve a yarn: what is left of it after each step, or what has been taken where nothing is set aside. */
export default function SpendingChart({ document, spending, all }: SpendingChartProps) {
  const { system } = useSettings();
  const per = system === 'cm' ? 1000 : 914.4;
  const style = getComputedStyle(window.document.documentElement);
  const colour = (name: string) => style.getPropertyValue(name).trim();
  const aside = all.filter(({ basket }) => basket.lots.length > 0);
  const shown = aside.length > 0 ? aside : all;
  const from = ({ basket }: Enough) => (aside.length > 0 ? basket.length / per : 0);
  const data = {
    datasets: shown.map((own) => {
      const { colourName, colour: hex } = yarnOf(document, own.yarn);
      const sign = aside.length > 0 ? -1 : 1;
      return {
        label: colourName,
        data: [
          { x: 0, y: from(own) },
          ...spending.map(({ taken }, i) => ({
            x: i + 1,
            y: from(own) + (sign * (taken.get(own.yarn) ?? 0)) / per,
          })),
        ],
        borderColor: hex,
        backgroundColor: hex,
        borderWidth: 2.5,
        pointRadius: 2.5,
        pointBorderColor: colour('--ink'),
        pointBorderWidth: 0.6,
      };
    }),
  };
  const tick = { color: colour('--soft'), precision: 0 };
  const options: ChartOptions<'line'> = {
    animation: false,
    maintainAspectRatio: false,
    scales: {
      x: {
        type: 'linear',
        min: 0,
        max: spending.length,
        title: { display: true, text: 'steps of the work', color: colour('--soft') },
        ticks: { ...tick, stepSize: 1 },
        grid: { display: false },
      },
      y: {
        type: 'linear',
        title: {
          display: true,
          text: `${aside.length > 0 ? 'left' : 'taken'}, ${system === 'cm' ? 'm' : 'yd'}`,
          color: colour('--soft'),
        },
        ticks: tick,
        grid: {
          color: ({ tick: { value } }) => (value === 0 ? colour('--loosestrife') : colour('--line')),
          lineWidth: ({ tick: { value } }) => (value === 0 ? 2 : 1),
        },
      },
    },
    plugins: {
      tooltip: {
        callbacks: {
          title: ([item]) => spending[(item?.parsed.x ?? 0) - 1]?.what ?? 'Before the first stitch',
        },
      },
    },
  };
  return (
    <div
      className="h-64"
      role="img"
      aria-label="What is left of each yarn along the work; the list below says the same"
    >
      <Line data={data} options={options} />
    </div>
  );
}
