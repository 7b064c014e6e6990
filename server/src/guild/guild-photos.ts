import { PHOTO_TABLES } from '@heronstone/core/plan';
import { hashOf, keepable, type PhotoRead } from '../store/photos.ts';
import { type PhotoStore, type Pictures } from '../store/photo-store.ts';
import { snake } from '../store/names.ts';
import { mayKeepPicture } from './limits.ts';
import { type Pool, type Scope } from './pool.ts';

/** A picture comes a moment before the change that shows it, which may have to wait (own assumption). */
const ON_ITS_WAY = `interval '10 minutes'`;
const SHOWN = PHOTO_TABLES.map((t) => `SELECT photo FROM ${snake(t)} WHERE photo IS NOT NULL`).join(' UNION ');
const UNUSED = `hash NOT IN (${SHOWN}) AND kept_at < now() - ${ON_ITS_WAY}`;

/** Pictures of a household as rows of bytes. */
export class GuildPhotos implements PhotoStore {
  constructor(
    private readonly pool: Pool,
    private readonly scope: Scope & { household: string },
  ) {}

  private get db() {
    return this.pool.as(this.scope);
  }

  async keep(sent: Uint8Array): Promise<PhotoRead> {
    const read = keepable(sent);
    if (!read.ok) return read;
    const bytes = Buffer.from(read.bytes);
    const hash = hashOf(bytes);
    await this.pool.transaction(this.scope, async (tx) => {
      const here = await tx.query('SELECT 1 FROM photos WHERE hash = $1', [hash]);
      if (here.length > 0) return;
      await mayKeepPicture(tx, this.scope.household, bytes.length);
      await tx.query('INSERT INTO photos (hash, bytes) VALUES ($1, $2) ON CONFLICT DO NOTHING', [hash, bytes]);
    });
    return { ok: true, hash };
  }

  async read(hash: string): Promise<Uint8Array | null> {
    if (!/^[0-9a-f]{64}$/.test(hash)) return null;
    const [row] = await this.db.query('SELECT bytes FROM photos WHERE hash = $1', [hash]);
    return (row?.bytes as Buffer | undefined) ?? null;
  }

  async hashes(): Promise<Set<string>> {
    return new Set((await this.db.query('SELECT hash FROM photos')).map((row) => row.hash as string));
  }

  async forget(hashes: readonly string[]): Promise<void> {
    await this.db.query('DELETE FROM photos WHERE hash = ANY($1)', [hashes]);
  }

  async count(): Promise<Pictures> {
    const [row] = await this.db.query(
      `SELECT count(*)::int AS count, coalesce(sum(octet_length(bytes)), 0)::float8 AS bytes,
         count(*) FILTER (WHERE ${UNUSED})::int AS unused,
         coalesce(sum(octet_length(bytes)) FILTER (WHERE ${UNUSED}), 0)::float8 AS "unusedBytes"
       FROM photos`,
    );
    return row as Pictures;
  }

  async deleteUnused(): Promise<Pictures> {
    await this.db.query(`DELETE FROM photos WHERE ${UNUSED}`);
    return this.count();
  }
}
