import { plainOf, type Sent } from './commands.ts';
import { type Plan } from './plan.ts';
import { type TableName } from './tables.ts';

/** The table whose row a command of the kind *set* changes. */
function tableSetBy(type: Sent['type']): TableName | null {
  const other = { setWall: 'walls', setUnit: 'units', setPlace: 'places', setSupply: 'supplies' } as const;
  const plain = plainOf(type);
  return other[type as keyof typeof other] ?? (plain?.verb === 'set' ? plain.table : null);
}

/**
 * A change that carries what is shown where it is made (`was`), so that what another window has changed meanwhile is not overwritten unseen; what it
 * says of that itself stays.
 */
export function asSeenIn<S extends Sent>(plan: Plan, sent: S): S {
  if (sent.type === 'several') return { ...sent, commands: sent.commands.map((c) => asSeenIn(plan, c)) };
  if (!('set' in sent) || ('was' in sent && sent.was !== undefined)) return sent;
  const table = tableSetBy(sent.type);
  const row =
    sent.type === 'setPlan'
      ? plan.head
      : table && (plan[table] as Readonly<Record<string, object>>)[(sent as { id: string }).id];
  if (!row) return sent;
  const was = Object.fromEntries(Object.keys(sent.set).map((key) => [key, row[key as keyof typeof row]]));
  return { ...sent, was };
}
