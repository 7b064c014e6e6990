import { type Plan } from '../../record/plan/index.ts';
import { type Homes } from '../slotting/index.ts';
import { Layout } from './layout.ts';
import { Mixing } from './mixing.ts';
import { type Translation } from './translation.ts';

/** Places looked at for a lot that found no room, the cheapest first. */
const LOOKED_AT = 40;

/**
 * What found no room when it was laid put where it can be: the dearest to leave first, each into the cheapest place where it is laid beside the rest.
 * What finds none and has a home today goes back there, and who came there newly looks again: so nothing loses a home that it has. A place that does
 * not lie as it is counted in the end (of fewer things another one may hang over) gets back what lives there today.
 * @returns homes that can all be laid, and the lots left over
 */
export function layingRest(
  plan: Plan,
  translation: Translation,
  homes: Homes,
  room: (placeId: string) => number,
): { homes: { lot: string; place: string }[]; left: string[] } {
  const first = new Layout(plan, translation, homes);
  const over = new Set(first.inUse.flatMap((place) => first.over(place)));
  const at = new Map(homes.filter(({ lot }) => !over.has(lot)).map((h) => [h.lot, h.place]));
  const layout = new Layout(
    plan,
    translation,
    homes.filter(({ lot }) => !over.has(lot)),
  );
  const mixing = new Mixing(
    translation.sorts,
    [...at].map(([lot, place]) => ({ lot, place })),
  );
  const today = new Map(translation.today.map((h) => [h.lot, h.place]));
  const lots = new Map(translation.lots.map((lot) => [lot.id, lot]));
  /** places that only take back what lived there; and those that have all of it back */
  const closed = new Set<string>();
  const restored = new Set<string>();
  const left = new Set<string>();
  const byLeave = (a: string, b: string) => lots.get(b)!.leave - lots.get(a)!.leave || (a < b ? -1 : 1);
  const waiting = translation.lots.flatMap((lot) => (at.has(lot.id) ? [] : [lot.id])).sort(byLeave);
  const put = (lot: string, place: string) => {
    layout.put(lot, place);
    mixing.move(lot, undefined, place);
    at.set(lot, place);
  };
  const takeOut = (lot: string) => {
    layout.remove(lot, at.get(lot)!);
    mixing.move(lot, at.get(lot), undefined);
    at.delete(lot);
  };
  /** who came to a place newly looks for another home */
  const close = (place: string) => {
    closed.add(place);
    for (const other of layout.lotsIn(place)) {
      if (today.get(other) === place) continue;
      takeOut(other);
      waiting.push(other);
    }
  };
  const home = (id: string) => {
    const { leave, options } = lots.get(id)!;
    const open = options
      .flatMap((o) =>
        closed.has(o.place) || !mixing.allows(id, o.place)
          ? []
          : [{ ...o, cost: o.cost + layout.sagWith(o.place, id) + mixing.delta(id, undefined, o.place) }],
      )
      .filter((o) => o.cost < leave)
      .sort((a, b) => a.cost - b.cost || (a.place < b.place ? -1 : 1))
      .slice(0, LOOKED_AT);
    const back = today.get(id);
    // room to grow gives way only for what would have no home
    let best: string | undefined;
    for (const { place, use } of open) {
      const used = layout.usedWith(place, id, use);
      if (used === null) continue;
      if (back === undefined) best ??= place;
      if (used > room(place) * 1.0001) continue;
      best = place;
      break;
    }
    if (best !== undefined) put(id, best);
    else if (back === undefined) left.add(id);
    else {
      close(back);
      put(id, back);
    }
  };
  const settle = () => {
    for (let id = waiting.shift(); id !== undefined; id = waiting.shift()) home(id);
  };
  const restore = (place: string) => {
    restored.add(place);
    close(place);
    for (const [lot, lives] of today) {
      if (lives !== place || at.get(lot) === place) continue;
      if (at.has(lot)) takeOut(lot);
      left.delete(lot);
      const k = waiting.indexOf(lot);
      if (k >= 0) waiting.splice(k, 1);
      put(lot, place);
    }
    settle();
  };
  /** What has nowhere to go out of its season stays where it is in it, or both find a home together; what finds none has none in its season either. */
  const resting = (rest: string) => {
    const { supply } = translation.lotOf.get(rest)!;
    const working = translation.lots.find(
      ({ id }) =>
        at.has(id) && translation.lotOf.get(id)!.supply === supply && translation.lotOf.get(id)!.share === 'working',
    )?.id;
    if (working === undefined) return;
    const costs = new Map(lots.get(rest)!.options.map((o) => [o.place, o] as const));
    const now = at.get(working)!;
    takeOut(working);
    const together = lots
      .get(working)!
      .options.flatMap((o) => {
        const other = costs.get(o.place);
        return other && (o.place === now || !closed.has(o.place))
          ? [{ ...o, rests: other.use, both: o.cost + other.cost }]
          : [];
      })
      .sort((a, b) => +(b.place === now) - +(a.place === now) || a.both - b.both || (a.place < b.place ? -1 : 1))
      .slice(0, LOOKED_AT);
    for (const { place, use, rests } of together) {
      if (layout.usedWith(place, working, use) === null || !mixing.allows(working, place)) continue;
      put(working, place);
      if (layout.usedWith(place, rest, rests) !== null) {
        put(rest, place);
        left.delete(rest);
        return;
      }
      takeOut(working);
    }
    const back = today.get(working);
    left.add(working);
    if (back !== undefined) restore(back);
  };
  settle();
  for (;;) {
    const wrong = layout.inUse.find((place) => !restored.has(place) && layout.over(place).length > 0);
    if (wrong !== undefined) {
      restore(wrong);
      continue;
    }
    const nowhere = [...left].find((id) => {
      const { share, supply } = translation.lotOf.get(id)!;
      const lives = (lot: string) =>
        translation.lotOf.get(lot)!.supply === supply &&
        at.has(lot) &&
        !(today.get(lot) === at.get(lot) && restored.has(at.get(lot)!));
      return share === 'resting' && translation.lots.some((lot) => lives(lot.id));
    });
    if (nowhere === undefined) break;
    resting(nowhere);
  }
  return { homes: [...at].map(([lot, place]) => ({ lot, place })), left: [...left] };
}
