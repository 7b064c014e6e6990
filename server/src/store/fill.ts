import { type OrganiserSet, type RowChange, setAsPlaces, topOf } from '@heronstone/core/plan';
import { type Queries } from './queries.ts';
import { readPlan, writeChanges } from './rows.ts';

/**
 * What a migration needs beyond SQL, by the name of its file; called in its transaction. Rows made here are made of the rows there are, always alike,
 * so that a journal written before goes on from them.
 */
export const FILLS: Readonly<Record<string, (tx: Queries) => Promise<void>>> = {
  '0005-containers-and-zones.sql': async (tx) => {
    for (const { id } of await tx.query('SELECT id FROM plans ORDER BY id')) {
      const { plan } = (await readPlan(tx, id as string))!;
      const sets = await tx.query(
        'SELECT id, organiser_id AS "organiserId", place_id AS "placeId", count FROM organiser_sets WHERE plan_id = $1',
        [id],
      );
      const places = [
        ...Object.values(plan.units).flatMap((unit) => topOf(unit) ?? []),
        ...(sets as OrganiserSet[]).flatMap((set) =>
          setAsPlaces(set, plan.organisers[set.organiserId]!, plan.places[set.placeId]!),
        ),
      ];
      const changes = places.map((row): RowChange => ({ table: 'places', id: row.id, before: null, after: row }));
      await writeChanges(tx, id as string, changes);
    }
    await tx.exec('DROP TABLE organiser_sets');
  },
};
