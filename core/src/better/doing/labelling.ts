import { type Job, type Plan } from '../../record/plan/index.ts';
import { type Add, some } from './adding.ts';
import { TAKES } from './minutes.ts';

/**
 * Notes on trial, and labels for good after them, for every place that things are carried to; those carried to before are among them until each has its own.
 * @param jobs what follows so far: what is still to be carried
 */
export function labelling(now: Plan, then: Plan, add: Add, jobs: readonly Job[]): void {
  const carried = jobs.filter((j) => j.kind === 'carry');
  const coming = new Set(carried.flatMap((j) => j.to));
  const lived = new Set(Object.values(then.homes).map((h) => h.placeId));
  const before = new Set(Object.values(now.jobs).flatMap((j) => (carriedTo(j) ?? []).filter((id) => lived.has(id))));
  const places = (labels: readonly string[]): string[] =>
    [
      ...coming,
      ...[...before].filter((id) => !coming.has(id) && labels.includes(now.places[id]?.label ?? 'none')),
    ].filter((id) => {
      const place = then.places[id];
      return place && place.label !== 'learnt' && then.units[place.unitId]?.mount !== 'away';
    });
  const [noted, labelled] = [places(['none']), places(['none', 'trial'])];
  const notesFor = (ids: readonly string[]) => `Notes on trial for ${some(ids.length, 'place', 'places')}`;
  const labelsFor = (ids: readonly string[]) => `Labels for good for ${some(ids.length, 'place', 'places')}`;
  const after = Object.values(now.jobs).flatMap((j) => (j.kind === 'notes' && j.state === 'done' ? [j.id] : []));
  if (noted.length > 0)
    after.push(
      add(
        {
          ...{ id: 'notes', kind: 'notes', about: noted, after: carried.map((j) => j.id) },
          name: notesFor(noted),
          why: 'Eight weeks on trial before labels for good.',
        },
        noted.length * TAKES.note,
        notesFor,
      ).id,
    );
  if (labelled.length > 0)
    add(
      {
        ...{ id: 'labels', kind: 'labels', about: labelled, after },
        name: labelsFor(labelled),
        why: 'What has worked for eight weeks stays.',
      },
      labelled.length * TAKES.label,
      labelsFor,
    );
}

/** Places a job has carried to, or was to label: null where it did neither, or was struck. */
function carriedTo({ kind, state, to, about }: Job): readonly string[] | null {
  if (kind === 'carry' && state !== 'struck') return to;
  return (kind === 'notes' || kind === 'labels') && (state === 'open' || state === 'half') ? about : null;
}
