'use client';

import { CategoryScale, Chart, Filler, LineElement, LinearScale, PointElement, Tooltip } from 'chart.js';
import { useEffect, useState } from 'react';
import { Line } from 'react-chartjs-2';

Chart.defaults.font.family = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";
Chart.defaults.font.size = 13;
Chart.register(CategoryScale, LinearScale, PointElement, LineElement, Tooltip, Filler);

const tokens = ['--ink', '--ink2', '--rule', '--paper', '--leaf'] as const;

/** The theme's colours as the canvas needs them, read again when the theme changes. */
function useInk(): Record<(typeof tokens)[number], string> | null {
  const [ink, setInk] = useState<Record<(typeof tokens)[number], string> | null>(null);
  useEffect(() => {
    const read = () => {
      const style = getComputedStyle(document.documentElement);
      setInk(
        Object.fromEntries(tokens.map((token) => [token, style.getPropertyValue(token).trim()])) as Record<
          (typeof tokens)[number],
          string
        >,
      );
    };
    read();
    const observer = new MutationObserver(read);
    observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
    return () => observer.disconnect();
  }, []);
  return ink;
}

/** A measure over visits. The same figures stand in a table beside it, for those who can't see the line. */
export function LineChart({
  title,
  unit,
  labels,
  values,
  band = null,
}: {
  title: string;
  unit: string;
  labels: readonly string[];
  values: readonly number[];
  /** What the first value and the client’s own noise leave open. */
  band?: readonly [low: number, high: number] | null;
}) {
  const ink = useInk();
  if (!ink) return <div className="h-48" />;
  return (
    <div className="relative h-48">
      <Line
        role="img"
        aria-label={`${title} over ${labels.length} visits, ${unit}`}
        data={{
          labels: [...labels],
          datasets: [
            {
              data: [...values],
              borderColor: ink['--ink'],
              backgroundColor: ink['--ink'],
              borderWidth: 2,
              pointRadius: 4,
              pointHoverRadius: 6,
              tension: 0,
            },
            ...(band
              ? band.map((edge, at) => ({
                  data: labels.map(() => edge),
                  borderColor: ink['--ink2'],
                  borderDash: [2, 4],
                  borderWidth: 1,
                  pointRadius: 0,
                  pointHoverRadius: 0,
                  tension: 0,
                  ...(at === 1 ? { fill: '-1', backgroundColor: ink['--leaf'] } : {}),
                }))
              : []),
          ],
        }}
        options={{
          animation: false,
          responsive: true,
          maintainAspectRatio: false,
          plugins: { legend: { display: false }, tooltip: { displayColors: false } },
          scales: {
            x: { grid: { display: false }, ticks: { color: ink['--ink2'] }, border: { color: ink['--ink2'] } },
            y: {
              beginAtZero: true,
              grid: { color: ink['--rule'] },
              border: { display: false },
              ticks: { color: ink['--ink2'], maxTicksLimit: 5 },
              title: { display: true, text: unit, color: ink['--ink2'] },
            },
          },
        }}
      />
    </div>
  );
}
