import { type Need } from '@heronstone/core/stations';

const WIDTH = 210;

/** What is asked and what there is, as two marks on one small scale; what is missing is the drawn gap. */
function Scale({ need }: { need: Need }) {
  const { want, have } = need;
  if (!want)
    return (
      <span aria-hidden className={`text-lg ${need.lacks ? 'text-clash' : 'text-heron'}`}>
        {need.lacks ? '○' : '●'}
      </span>
    );
  const [low, high] = want;
  const top = Number.isFinite(high) ? high : low;
  const most = Math.max(top, have ?? 0, 1) * 1.2;
  const least = Math.max(0, Math.min(low, have ?? low) - (most - low) * 0.6);
  const x = (v: number) => ((Math.min(v, most) - least) / (most - least)) * (WIDTH - 12) + 6;
  const from = x(low);
  const to = Number.isFinite(high) ? x(high) : WIDTH - 2;
  const at = have === null ? null : x(have);
  const gap = at === null ? null : at < from ? ([at, from] as const) : at > to ? ([to, at] as const) : null;
  return (
    <svg width={WIDTH} height={22} aria-hidden className="shrink-0">
      <line x1={2} x2={WIDTH - 2} y1={14} y2={14} stroke="var(--line)" strokeWidth={1.5} />
      <rect x={from} width={Math.max(2, to - from)} y={10} height={8} rx={2} fill="var(--turn)" fillOpacity={0.45} />
      {gap && (
        <line x1={gap[0]} x2={gap[1]} y1={14} y2={14} stroke="var(--clash)" strokeWidth={5} strokeDasharray="3 2" />
      )}
      {at !== null && <path d={`M${at} 17 l -5 -11 h 10 z`} fill={need.lacks ? 'var(--clash)' : 'var(--ink)'} />}
    </svg>
  );
}

/** Needs against gives of one station, what is lacking said below each. */
export function NeedMarks({ needs }: { needs: readonly Need[] }) {
  return (
    <ul className="divide-y divide-line">
      {needs.map((n) => (
        <li key={`${n.what}${n.needs}`} className="grid grid-cols-[5.5rem_13.5rem_1fr] items-center gap-x-3 py-1">
          <span className="font-semibold">{n.what}</span>
          <span className="flex w-52 items-center">
            <Scale need={n} />
          </span>
          <span className="min-w-0 text-[14px]">
            <span className="text-soft">asks</span> {n.needs} <span className="text-soft">· gets</span> {n.gives}
            {n.lacks && <span className="block text-clash">{n.lacks}</span>}
            {n.lacks && n.care && <span className="block text-[13px] text-soft">{n.care}</span>}
          </span>
        </li>
      ))}
    </ul>
  );
}
