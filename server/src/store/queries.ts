export type Row = Record<string, unknown>;
/** All SQL goes through this, so that another PostgreSQL can stand in for the embedded one. */
export interface Queries {
  query(sql: string, params?: unknown[]): Promise<Row[]>;
  /** several statements at once, without parameters */
  exec(sql: string): Promise<void>;
}
