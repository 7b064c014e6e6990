import { type Reached } from '@heronstone/core/doing';
import { useRef } from 'react';
import { type Day, shortDate, spanWords } from './days.ts';
import { curveOf, HEIGHT, namedEvery, stonesOf, stretchOf, WATER } from './river.ts';
import { useDrawnBox } from '../../../ui/drawn-scale.ts';

/** The days as stones across the river; over it how much of what is gained has been reached by each. */
export function River({
  days,
  curve,
  today,
  chosen,
  onChoose,
  from,
  to,
}: {
  days: readonly Day[];
  curve: readonly Reached[];
  today: string;
  chosen: string | null;
  onChoose: (on: string) => void;
  from: string;
  to: string;
}) {
  const list = useRef<SVGSVGElement>(null);
  const box = useDrawnBox(list);
  const river = stretchOf(Math.max(320, box.width));
  const { width, height, bank } = river;
  const stones = stonesOf(days, river);
  const line = curveOf(stones, curve, river);
  const every = namedEvery(days.length, river);
  const thirds = line.find((p) => p.share >= 2 / 3);
  const step = (by: number) => {
    const at = days.findIndex((d) => d.on === chosen);
    const next = days[Math.max(0, Math.min(days.length - 1, at + by))];
    if (!next) return;
    onChoose(next.on);
    list.current?.querySelector<SVGGElement>(`[data-on="${next.on}"]`)?.focus();
  };
  return (
    <svg
      ref={list}
      viewBox={`0 0 ${width} ${height}`}
      style={{ height: HEIGHT }}
      className="my-1 w-full print:hidden"
      role="group"
      aria-label="Days across the river"
    >
      <rect x={0} y={WATER.top} width={width} height={WATER.height} className="fill-heron/15" />
      {[0.25, 0.5, 0.8].map((at, i) => (
        <path
          key={at}
          d={`M${bank + 20 + (width - 2 * bank - 220) * i * 0.45} ${WATER.top + WATER.height * at} q30 -8 60 0 t60 0 t60 0`}
          className="fill-none stroke-paper"
          strokeWidth={1.5}
          aria-hidden
        />
      ))}
      <path
        d={`M0 ${WATER.top} h${bank} q-10 ${WATER.height / 2} 0 ${WATER.height} h-${bank} z`}
        className="fill-stone"
      />
      <path
        d={`M${width} ${WATER.top} h-${bank} q10 ${WATER.height / 2} 0 ${WATER.height} h${bank} z`}
        className="fill-stone"
      />
      {line.length > 1 && (
        <g aria-hidden>
          <path
            d={`M${line.map((p) => `${p.x} ${p.y}`).join(' L')}`}
            className="fill-none stroke-heron"
            strokeWidth={1.5}
          />
          {thirds && (
            <text x={thirds.x} y={Math.max(12, thirds.y - 6)} textAnchor="middle" className="fill-soft text-[12px]">
              two thirds reached
            </text>
          )}
        </g>
      )}
      <Bank width={bank - 14} x={8} words={from} anchor="start" />
      <Bank width={bank - 14} x={width - 8} words={to} anchor="end" />
      {stones.map(({ day, x, y, rx, ry }, i) => (
        <g
          key={day.on}
          role="button"
          data-on={day.on}
          tabIndex={day.on === chosen ? 0 : -1}
          aria-pressed={day.on === chosen}
          aria-label={`${shortDate(day.on)}, ${day.jobs.length} ${day.jobs.length === 1 ? 'job' : 'jobs'}, ${spanWords(day.minutes)}${day.done >= 1 ? ', done' : day.done > 0 ? ', partly done' : ''}`}
          className="cursor-pointer outline-none focus-visible:[&>ellipse:first-of-type]:stroke-heron"
          onClick={() => onChoose(day.on)}
          onKeyDown={(e) => {
            if (e.key === 'ArrowRight') step(1);
            else if (e.key === 'ArrowLeft') step(-1);
            else if (e.key === 'Enter' || e.key === ' ') onChoose(day.on);
            else return;
            e.preventDefault();
          }}
        >
          {/* at least as large as a finger */}
          <rect
            x={x - Math.max(rx, 14)}
            y={y - 20}
            width={2 * Math.max(rx, 14)}
            height={40}
            className="fill-transparent"
          />
          <ellipse
            cx={x}
            cy={y}
            rx={rx}
            ry={ry}
            className={`fill-paper ${day.on === chosen ? 'stroke-ink' : day.on === today ? 'stroke-heron' : 'stroke-edge'}`}
            strokeWidth={day.on === chosen ? 2.5 : day.on === today ? 2 : 1}
          />
          {day.done > 0 && (
            <ellipse cx={x} cy={y} rx={rx * Math.sqrt(day.done)} ry={ry * Math.sqrt(day.done)} className="fill-heron" />
          )}
          {(i % every === 0 || day.on === chosen || day.on === today) && (
            <text
              x={x}
              y={height - 4}
              textAnchor="middle"
              className={`text-[12px] ${day.on === chosen ? 'fill-ink font-semibold' : 'fill-soft'}`}
            >
              {shortDate(day.on).replace(/^\w+ /, '')}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}

/** The name of a bank, a word a line. */
function Bank({ x, words, anchor, width }: { x: number; words: string; anchor: 'start' | 'end'; width: number }) {
  const lines = words.split(' ').reduce<string[]>((out, word) => {
    const last = out.at(-1);
    return last !== undefined && (last.length + word.length + 1) * 7 < width
      ? [...out.slice(0, -1), `${last} ${word}`]
      : [...out, word];
  }, []);
  return (
    <text textAnchor={anchor} className="fill-ink text-[13px] font-semibold" aria-hidden>
      {lines.slice(0, 3).map((line, i) => (
        <tspan key={line} x={x} y={WATER.top + 26 + i * 16}>
          {line}
        </tspan>
      ))}
    </text>
  );
}
