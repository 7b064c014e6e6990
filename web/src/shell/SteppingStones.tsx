import { useDeferredValue, useMemo } from 'react';
import { NavLink, useLocation } from 'react-router';
import { pieceOf } from '@heronstone/core/fit';
import { type Plan, roomOf, withoutHome } from '@heronstone/core/plan';
import { asksToday } from '@heronstone/core/upkeep';
import { useOpenFindings } from '../state/findings.ts';
import { usePlan } from '../state/plan-store.ts';
import { countWords, today } from '../ui/words.ts';

const SIZES = ['width', 'depth', 'height'] as const;

/** What is still open at each stone, in a few words. */
function openAt(plan: Plan): Record<string, string> {
  const survey = roomOf(plan);
  const walls = Object.keys(plan.walls).length;
  const supplies = Object.values(plan.supplies);
  const unmeasured = supplies.filter((s) => !pieceOf(s)).length;
  const guessed = supplies.filter((s) => SIZES.some((f) => s.usual.includes(f) || s.unsure.includes(f))).length;
  const stations = Object.keys(plan.stations).length;
  const without = supplies.reduce(
    (n, s) => n + (withoutHome(plan, s, 'working') > 0 ? 1 : 0) + (withoutHome(plan, s, 'backstock') > 0 ? 1 : 0),
    0,
  );
  return {
    room:
      walls === 0
        ? 'not measured'
        : survey.closes
          ? survey.error < 1
            ? 'walls close'
            : `closes to ${Math.round(survey.error)} mm`
          : 'does not close',
    activities: stations === 0 ? 'no station' : countWords(stations, 'station', 'stations'),
    supplies:
      supplies.length === 0
        ? 'none yet'
        : unmeasured > 0
          ? `${unmeasured} without size`
          : guessed > 0
            ? `${guessed} of ${supplies.length} by guess`
            : `${supplies.length} measured`,
    furniture:
      Object.keys(plan.units).length === 0
        ? 'none yet'
        : countWords(Object.keys(plan.places).length, 'place', 'places'),
    tryout: stations === 0 ? 'nobody sits yet' : 'work it through',
    homes: supplies.length === 0 ? 'nothing to home' : without === 0 ? 'all at home' : `${without} without a home`,
  };
}

const STONES = [
  ['room', 'Room'],
  ['furniture', 'Furniture'],
  ['activities', 'Activities'],
  ['supplies', 'Supplies'],
  ['homes', 'Homes'],
  ['tryout', 'Try-out'],
  ['keepup', 'Keep-up'],
] as const;
/** River stones are never quite alike. */
const SHAPES = [
  '46% 54% 44% 56% / 58% 52% 48% 42%',
  '54% 46% 52% 48% / 50% 58% 42% 50%',
  '44% 56% 54% 46% / 54% 46% 54% 46%',
  '52% 48% 42% 58% / 46% 56% 44% 54%',
  '48% 52% 56% 44% / 56% 48% 52% 44%',
  '56% 44% 48% 52% / 48% 54% 46% 52%',
  '50% 50% 46% 54% / 52% 46% 54% 48%',
];

export function SteppingStones() {
  const plan = usePlan((s) => s.plan);
  // what asks today is counted once a change has been drawn
  const drawn = useDeferredValue(plan);
  const asks = useMemo(() => asksToday(drawn, today()).length, [drawn]);
  const open = useMemo<Record<string, string>>(
    () => ({ ...openAt(plan), keepup: asks === 0 ? 'nothing asks' : countWords(asks, 'asks today', 'ask today') }),
    [plan, asks],
  );
  const found = useOpenFindings();
  const words =
    found?.planId === plan.id && found.open > 0
      ? {
          ...open,
          furniture:
            found.hurts > 0
              ? `${found.hurts} of ${found.open} can hurt`
              : countWords(found.open, 'finding', 'findings'),
        }
      : open;
  const seat = new URLSearchParams(useLocation().search).get('seat');
  return (
    <nav aria-label="Stepping stones" className="flex flex-wrap items-end gap-1.5">
      {STONES.map(([id, name], i) => (
        <NavLink
          key={id}
          to={`/p/${plan.id}/${id}${seat ? `?seat=${seat}` : ''}`}
          style={{ borderRadius: SHAPES[i] }}
          title={id === 'furniture' && found?.planId === plan.id ? found.worst.join('\n') || undefined : undefined}
          className={({ isActive }) =>
            `block px-2.5 py-1 text-center leading-tight ${isActive ? 'bg-ink text-ground' : 'bg-stone text-ink hover:brightness-95'}`
          }
        >
          <span className="block font-semibold">{name}</span>
          <span className="block text-[12.5px]">{words[id]}</span>
        </NavLink>
      ))}
    </nav>
  );
}
