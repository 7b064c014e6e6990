import { useMemo } from 'react';
import { Sun } from 'lucide-react';
import { MONTH_NAMES, type Plan } from '@heronstone/core/plan';
import { MIDDLE_DAY, solarClock, solarInstant, sunAt, type SunPatch, sunPatches } from '@heronstone/core/sun';
import { useSelection } from '../../state/selection.ts';

/** Patches of direct sun at the month and hour in the address; none while no month is chosen. */
export function useSun(plan: Plan): { patches: SunPatch[]; up: boolean } {
  const { get } = useSelection();
  const month = Number(get('month') ?? 0);
  const hour = Number(get('hour') ?? 12);
  return useMemo(() => {
    if (!(month >= 1 && month <= 12) || !Number.isFinite(hour)) return { patches: [], up: false };
    const sun = sunAt(plan.head, solarInstant(plan.head, month, MIDDLE_DAY, hour));
    return { patches: sunPatches(plan, sun), up: sun.altitude > 0 };
  }, [plan, month, hour]);
}

/** Month and hour of the sun to be drawn. */
export function SunDial({ plan }: { plan: Plan }) {
  const { get, select } = useSelection();
  const month = get('month') ?? '';
  const hour = Number(get('hour') ?? 12);
  const { patches, up } = useSun(plan);
  return (
    <div role="group" aria-label="Sun" className="flex items-center gap-2 text-[13px]">
      <Sun size={16} aria-hidden />
      <select
        aria-label="Month of the sun"
        className="min-h-8 rounded-md border border-edge bg-paper px-1"
        value={month}
        onChange={(e) => select({ month: e.target.value || null, hour: e.target.value ? String(hour) : null })}
      >
        <option value="">no sun drawn</option>
        {MONTH_NAMES.map((name, i) => (
          <option key={name} value={i + 1}>
            {name}
          </option>
        ))}
      </select>
      {month && (
        <>
          <input
            type="range"
            aria-label="Hour of the sun"
            aria-valuetext={solarClock(hour)}
            className="w-36 accent-heron"
            min={4}
            max={21}
            step={0.25}
            value={hour}
            onChange={(e) => select({ hour: e.target.value })}
          />
          <span className="w-40">
            {solarClock(hour)} by the sun, {!up ? 'not up' : patches.length ? 'in the room' : 'not in the room'}
          </span>
        </>
      )}
    </div>
  );
}
