import { type Queries } from '../store/queries.ts';
import { Trouble } from '../store/trouble.ts';
import { Refusal } from '../store/store.ts';

/** What a household may have and has. Bytes are those of its pictures, and of copies and templates that wait; changes those of the last minute. */
export type Limits = Readonly<Record<'plans' | 'pictures' | 'bytes' | 'changes', { most: number; now: number }>>;

const ASK = `
  SELECT most_plans, most_pictures, most_bytes, changes_a_minute,
    (SELECT count(*) FROM plans) AS plans,
    (SELECT count(*) FROM photos) AS pictures,
    (SELECT coalesce(sum(octet_length(bytes)), 0) FROM photos)
      + (SELECT coalesce(sum(octet_length(file)), 0) FROM gifts)
      + (SELECT coalesce(sum(octet_length(file)), 0) FROM templates WHERE household_id = $1) AS bytes,
    (SELECT count(*) FROM acts WHERE household_id = $1 AND at > now() - interval '1 minute') AS changes
  FROM households WHERE id = $1`;

/** How it stands with the limits of a household. */
export async function limitsOf(db: Queries, household: string): Promise<Limits> {
  const [row] = await db.query(ASK, [household]);
  const of = (most: string, now: string) => ({ most: Number(row![most]), now: Number(row![now]) });
  return {
    plans: of('most_plans', 'plans'),
    pictures: of('most_pictures', 'pictures'),
    bytes: of('most_bytes', 'bytes'),
    changes: of('changes_a_minute', 'changes'),
  };
}

/** @throws Refusal when it has as many plans as it may have */
export async function mayAddPlan(tx: Queries, household: string): Promise<void> {
  const [row] = await tx.query(
    'SELECT most_plans AS most, (SELECT count(*) FROM plans) AS now FROM households WHERE id = $1',
    [household],
  );
  if (Number(row!.now) >= Number(row!.most))
    throw new Refusal(
      `This household may have ${String(row!.most)} plans, those thrown away included. Ask whoever runs this server for more.`,
    );
}

/**
 * @param now changes of the last minute, without the one that is being made
 * @throws Trouble (it passes) when those are all it may make
 */
export function mustBeSlower(now: number, most: number): void {
  if (now >= most)
    throw new Trouble(
      `This household changes more than ${most} things a minute. Nothing is lost: it goes on by itself in a moment.`,
    );
}

/** @throws Refusal when one picture of so many bytes more is more than it may have */
export async function mayKeepPicture(tx: Queries, household: string, bytes: number): Promise<void> {
  const { pictures } = await limitsOf(tx, household);
  if (pictures.now >= pictures.most)
    throw new Refusal(
      `This household may have ${pictures.most} pictures. Delete those no plan shows, or ask for more.`,
    );
  await mayKeepBytes(tx, household, bytes);
}

/** @throws Refusal when so many bytes more are more than it may have */
export async function mayKeepBytes(tx: Queries, household: string, bytes: number): Promise<void> {
  const { bytes: room } = await limitsOf(tx, household);
  if (room.now + bytes > room.most)
    throw new Refusal(
      `Pictures, copies and what is put out may take ${Math.round(room.most / 1e6)} MB in this household, and this would be too much. Delete pictures no plan shows, withdraw what waits, or ask for more.`,
    );
}
