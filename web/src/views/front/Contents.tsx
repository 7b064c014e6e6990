import { homesIn, outerOf, placesIn } from '@heronstone/core/plan';
import { nameOfPlace } from '@heronstone/core/concepts';
import { halo } from '../../ui/halo.ts';
import { type Shown } from './shown.ts';
import { LOW } from './Boxes.tsx';
import { MOST_LETTER, nameThatFits } from './name-that-fits.ts';

export function Contents({ plan, place, y, height, least }: Shown) {
  // names of what stands in it would lie over its own
  const named = placesIn(plan, place.id).filter((p) => homesIn(plan, p.id).length > 0);
  if (named.some((p) => p.bottom + outerOf(plan, p).height > height * LOW)) return null;
  // a thing and its reserve are one name
  const names = [...new Set(homesIn(plan, place.id).flatMap((h) => plan.supplies[h.supplyId]?.name ?? []))];
  const called = names.length > 1 ? nameOfPlace(plan, place.id) : null;
  if (called && (names.length > 3 || called.names.length === 1)) names.unshift(called.words);
  const longest = Math.max(5, ...names.map((n) => n.length));
  const whole = Math.min(Math.max(MOST_LETTER, least), (place.width / longest) * 1.8, height * 0.7);
  // where what lies there cannot be read, what it is called can
  const said = whole < least ? nameThatFits(plan, place.id, place.width, height, least) : null;
  const size = said?.size ?? whole;
  const lines = Math.floor(height / (size * 1.15));
  if (names.length === 0 || lines < 1 || (whole < least && said === null)) return null;
  // what has room for one line says what it is called
  const one = lines === 1 && called !== null;
  const shown = said
    ? [said.words]
    : one
      ? [called.words]
      : names.length > lines
        ? [...names.slice(0, lines - 1), `and ${names.length - lines + 1} more`]
        : names;
  return (
    <g aria-hidden pointerEvents="none" fontSize={size} fill="var(--ink)" textAnchor="middle" {...halo(size / 5)}>
      {shown.map((name, i) => (
        <text
          key={i}
          fontWeight={called && i === 0 && name === called.words ? 700 : 400}
          x={place.left + place.width / 2}
          y={y + height / 2 + (i - (shown.length - 1) / 2 + 0.35) * size * 1.15}
        >
          {name}
        </text>
      ))}
    </g>
  );
}
