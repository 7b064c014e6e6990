import { BarController, BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js';
import { Bar } from 'react-chartjs-2';
import { type Simulated } from '@heronstone/core/tryout';
import { bandWords, spentWords } from './words.ts';

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Legend, Tooltip);

const BINS = 12;
type Row = { name: string; played: Simulated };
const FILLS = ['--heron', '--clay'] as const;

/** Colours of the theme as they are now. */
const colour = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(name).trim() || '#567';

/** How long sessions are, in steps from the shortest to the longest of all. */
function binsOf(rows: readonly Row[]): { labels: string[]; counts: number[][] } {
  const all = rows.flatMap((r) => [...r.played.seconds]);
  const low = Math.min(...all);
  const step = Math.max(1, (Math.max(...all) - low) / BINS);
  const counts = rows.map(({ played }) => {
    const list = new Array<number>(BINS).fill(0);
    for (const s of played.seconds) list[Math.min(BINS - 1, Math.floor((s - low) / step))]!++;
    return list;
  });
  return { labels: Array.from({ length: BINS }, (_, i) => spentWords(low + i * step)), counts };
}

/** How many sessions are how long, and seconds by band; the same as tables for those who do not see them. */
export default function Charts({ rows }: { rows: readonly Row[] }) {
  const { labels, counts } = binsOf(rows);
  const bands = [0, 1, 2, 3, 4, 5, 6, 7] as const;
  const options = {
    responsive: true,
    maintainAspectRatio: false,
    animation: false as const,
    color: colour('--ink'),
    scales: {
      x: { ticks: { color: colour('--ink') }, grid: { display: false } },
      y: { ticks: { color: colour('--ink') }, grid: { color: colour('--line') }, beginAtZero: true },
    },
  };
  const sets = (data: (i: number) => number[]) =>
    rows.map((r, i) => ({ label: r.name, data: data(i), backgroundColor: colour(FILLS[i] ?? '--ink') }));
  return (
    <div className="mt-2 grid grid-cols-1 gap-4 lg:grid-cols-2">
      <section aria-label="How long sessions are">
        <div className="h-44">
          <Bar aria-hidden options={options} data={{ labels, datasets: sets((i) => counts[i]!) }} />
        </div>
        <Table
          heads={['from', ...rows.map((r) => r.name)]}
          lines={labels.map((l, b) => [l, ...counts.map((c) => String(c[b]))])}
        />
      </section>
      <section aria-label="Seconds by band">
        <div className="h-44">
          <Bar
            aria-hidden
            options={options}
            data={{ labels: bands.map(bandWords), datasets: sets((i) => rows[i]!.played.byBand) }}
          />
        </div>
        <Table
          heads={['band', ...rows.map((r) => r.name)]}
          lines={bands.map((b) => [bandWords(b), ...rows.map((r) => `${r.played.byBand[b]!.toFixed(0)} s`)])}
        />
      </section>
    </div>
  );
}

function Table({ heads, lines }: { heads: readonly string[]; lines: readonly (readonly string[])[] }) {
  return (
    <details className="text-[13px]">
      <summary className="cursor-pointer text-soft">as a table</summary>
      <table className="w-full">
        <thead>
          <tr>
            {heads.map((h) => (
              <th key={h} className="text-left font-semibold">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line[0]} className="border-t border-line">
              {line.map((cell, i) => (
                <td key={i}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
