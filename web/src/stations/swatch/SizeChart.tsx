import { type Motif, range90, type SizeModel } from '@fennot/core';
import {
  Chart,
  type ChartData,
  type ChartOptions,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
} from 'chart.js';
import { Chart as ChartView } from 'react-chartjs-2';
import { useSettings } from '../../api/queries.ts';

Chart.register(LinearScale, PointElement, LineElement, LineController, ScatterController, Filler);

interface SizeChartProps {
  readonly motif: Motif;
  readonly size: SizeModel;
  readonly rounds: number;
}

/** Side of the square by rounds: the fitted line with its 90 % band, and the squares measured so far. */
export default function SizeChart({ motif, size, rounds }: SizeChartProps) {
  const { system } = useSettings();
  const per = system === 'cm' ? 10 : 25.4;
  const most = Math.max(rounds + 1, ...motif.measured.map((m) => m.rounds + 1), 4);
  const steps = Array.from({ length: most }, (_, i) => i + 1);
  // The band is for one square: what all share, and what one differs from the next.
  const band = (end: 'low' | 'high') =>
    steps.map((r) => {
      const { value, sd } = size.at(r);
      return { x: r, y: range90(value, Math.hypot(sd, size.single))[end] / per };
    });
  const style = getComputedStyle(window.document.documentElement);
  const colour = (name: string) => style.getPropertyValue(name).trim();
  const line = { borderWidth: 0, pointRadius: 0, type: 'line' as const };
  const data: ChartData<'line' | 'scatter'> = {
    datasets: [
      { ...line, data: band('low') },
      { ...line, data: band('high'), fill: '-1', backgroundColor: `${colour('--reed')}33` },
      {
        ...line,
        data: steps.map((r) => ({ x: r, y: size.at(r).value / per })),
        borderWidth: 2,
        borderColor: colour('--reed'),
      },
      {
        type: 'scatter',
        data: motif.measured.map((m) => ({ x: m.rounds, y: m.size / per })),
        pointRadius: 4.5,
        pointBackgroundColor: colour('--kingfisher'),
        pointBorderColor: colour('--card'),
      },
    ],
  };
  const axis = (title: string) => ({
    title: { display: true, text: title, color: colour('--soft') },
    ticks: { color: colour('--soft'), precision: 0 },
    grid: { color: colour('--line') },
  });
  const options: ChartOptions<'line' | 'scatter'> = {
    animation: false,
    maintainAspectRatio: false,
    scales: {
      x: { type: 'linear', min: 1, max: most, ...axis('rounds') },
      y: { type: 'linear', beginAtZero: true, ...axis(`side, ${system}`) },
    },
  };
  const now = size.at(rounds);
  return (
    <div className="h-40">
      <ChartView
        type="line"
        data={data}
        options={options}
        role="img"
        aria-label={`Side by rounds: ${(now.value / per).toFixed(1)} ${system} at ${rounds} rounds, from ${motif.measured.length} measured.`}
      />
    </div>
  );
}
