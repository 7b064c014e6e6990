import { type Person } from './rows/index.ts';

/**
 * What changes of a person with what she sits on: from a wheelchair nobody climbs, stoops or kneels; whoever sits on a chair again may, until it is said
 * otherwise.
 */
export function sitsOn(mobility: Person['mobility'], was: Person['mobility']): Partial<Person> {
  const wheels = mobility === 'wheelchair';
  if (wheels === (was === 'wheelchair')) return { mobility };
  return { mobility, mayClimb: !wheels, mayStoop: !wheels, mayKneel: !wheels };
}
