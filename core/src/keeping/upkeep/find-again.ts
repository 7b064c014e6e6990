import { placeSaid } from '../../living/concepts/index.ts';
import { homesIn, homesOf, type Place, type Plan, SHARES, type Supply, usesOf } from '../../record/plan/index.ts';
import { entriesOf, sumsOf } from './log.ts';

export type Elsewhere = { placeId: string | null; where: string; why: string };

/**
 * “It was not there”: where else a thing could be, the likeliest first. It is out for a project or not put back; it lies with another part of it; where it lived before or was
 * found astray; on the tables it is used at; beside its place; where its family lies.
 */
export function whereElse(plan: Plan, supply: Supply, notAt: string | null, most = 8): Elsewhere[] {
  const out: Elsewhere[] = [];
  const seen = new Set<string>(notAt === null ? [] : [notAt]);
  const add = (place: Place | undefined, why: string) => {
    if (!place || seen.has(place.id)) return;
    seen.add(place.id);
    out.push({ placeId: place.id, where: placeSaid(plan, place), why });
  };
  for (const o of Object.values(plan.outs)) {
    if (o.supplyId !== supply.id || o.state !== 'out') continue;
    const project = o.projectId === null ? undefined : plan.projects[o.projectId];
    const place = plan.places[o.placeId ?? project?.trayId ?? ''];
    const why = project ? `out for ${project.name}` : 'not put back yet';
    if (place) add(place, why);
    else out.push({ placeId: null, where: project ? `with ${project.name}` : 'on the put-back pile', why });
  }
  for (const share of SHARES)
    for (const home of homesOf(plan, supply.id, share))
      add(plan.places[home.placeId], 'another part of it lives there');
  for (const e of [...sumsOf(plan, supply.id), ...entriesOf(plan, supply.id)].reverse())
    if ((e.what === 'stray' || e.what === 'moved') && e.placeId !== null)
      add(plan.places[e.placeId], e.what === 'stray' ? 'it was found there before' : 'it lived there before');
  for (const use of usesOf(plan, supply.id))
    for (const station of Object.values(plan.stations))
      if (station.activityId === use.activityId && station.unitId !== null)
        add(
          Object.values(plan.places).find((p) => p.unitId === station.unitId && p.kind === 'top'),
          `used at ${station.name}`,
        );
  const place = notAt === null ? undefined : plan.places[notAt];
  if (place)
    for (const near of Object.values(plan.places)) {
      const beside =
        near.unitId === place.unitId &&
        near.inId === place.inId &&
        Math.abs(near.row - place.row) + Math.abs(near.column - place.column) === 1;
      if (beside) add(near, 'right beside its place');
    }
  if (supply.family !== '')
    for (const p of Object.values(plan.places))
      if (homesIn(plan, p.id).some((h) => plan.supplies[h.supplyId]?.family === supply.family))
        add(p, `${supply.family} lies there`);
  return out.slice(0, most);
}
