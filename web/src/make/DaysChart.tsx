import { BarController, BarElement, CategoryScale, Chart, LinearScale } from 'chart.js';
import { format } from 'date-fns';
import { Bar } from 'react-chartjs-2';

Chart.register(CategoryScale, LinearScale, BarController, BarElement);

/** So many days are shown at most, the last ones. */
const SHOWN = 30;

/** Minutes of work by day. */
export default function DaysChart({ minutes }: { readonly minutes: ReadonlyMap<string, number> }) {
  const days = [...minutes].sort(([a], [b]) => (a < b ? -1 : 1)).slice(-SHOWN);
  const style = getComputedStyle(window.document.documentElement);
  const colour = (name: string) => style.getPropertyValue(name).trim();
  return (
    <div className="h-40">
      <Bar
        aria-label="Minutes of work by day"
        data={{
          labels: days.map(([day]) => format(new Date(`${day}T12:00`), 'd MMM')),
          datasets: [
            {
              data: days.map(([, many]) => Math.round(many)),
              backgroundColor: colour('--reed'),
              maxBarThickness: 28,
            },
          ],
        }}
        options={{
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: { ticks: { color: colour('--soft') }, grid: { display: false } },
            y: {
              title: { display: true, text: 'minutes', color: colour('--soft') },
              ticks: { color: colour('--soft'), precision: 0 },
              grid: { color: colour('--line') },
            },
          },
        }}
      />
    </div>
  );
}
