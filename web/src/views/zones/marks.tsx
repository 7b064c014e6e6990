import { type Zone } from '@heronstone/core/plan';

/**
 * How a zone is drawn: a soft tint and a hatch of its own, never colour alone. Twelve marks; neighbours in number differ in both. The tint is mixed into
 * the ground, so that it stays soft in the dark scheme too.
 */
const HUES = [145, 230, 60, 300, 190, 25, 265, 100, 340, 210, 45, 320];
const HATCHES = ['rising', 'falling', 'dots', 'level', 'upright', 'crossed'] as const;

export const tintOf = ({ mark }: Pick<Zone, 'mark'>): string =>
  `color-mix(in oklab, oklch(0.7 0.11 ${HUES[mark % HUES.length]}) 38%, var(--ground))`;
const lineOf = ({ mark }: Pick<Zone, 'mark'>): string =>
  `color-mix(in oklab, oklch(0.5 0.12 ${HUES[mark % HUES.length]}) 75%, var(--ink))`;
export const patternOf = (zone: Pick<Zone, 'mark'>, on: string): string => `url(#${on}-zone-${zone.mark})`;

/** The patterns of some zones, to be put into a drawing once; `on` keeps apart the drawings of one page, `size` is one step of the hatch. */
export function ZonePatterns({ zones, on, size }: { zones: readonly Zone[]; on: string; size: number }) {
  return (
    <defs>
      {zones.map((zone) => {
        const hatch = HATCHES[zone.mark % HATCHES.length]!;
        const line = { stroke: lineOf(zone), strokeWidth: size / 9, strokeOpacity: 0.6 };
        return (
          <pattern
            key={zone.id}
            id={`${on}-zone-${zone.mark}`}
            width={size}
            height={size}
            patternUnits="userSpaceOnUse"
          >
            <rect width={size} height={size} fill={tintOf(zone)} />
            {hatch === 'dots' && (
              <circle cx={size / 2} cy={size / 2} r={size / 7} fill={lineOf(zone)} fillOpacity={0.6} />
            )}
            {(hatch === 'rising' || hatch === 'crossed') && <path d={`M0 ${size} L${size} 0`} {...line} />}
            {(hatch === 'falling' || hatch === 'crossed') && <path d={`M0 0 L${size} ${size}`} {...line} />}
            {hatch === 'level' && <path d={`M0 ${size / 2} H${size}`} {...line} />}
            {hatch === 'upright' && <path d={`M${size / 2} 0 V${size}`} {...line} />}
          </pattern>
        );
      })}
    </defs>
  );
}

/** A small field of a zone's mark, to stand before its name. */
export function ZoneSwatch({ zone, className }: { zone: Zone; className?: string }) {
  return (
    <svg viewBox="0 0 24 24" className={className ?? 'size-5 shrink-0'} aria-hidden>
      <ZonePatterns zones={[zone]} on={`swatch-${zone.id}`} size={8} />
      <rect width={24} height={24} rx={4} fill={patternOf(zone, `swatch-${zone.id}`)} stroke="var(--edge)" />
    </svg>
  );
}
