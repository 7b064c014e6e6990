import { type KindOfSupply } from '../../things/kinds/index.ts';
import { type Region, type Sized } from '../../record/plan/index.ts';
import { filledIn } from './containers.ts';
import { GRAMS_A_LITRE, vesselOf, volumeIn } from './volumes.ts';
import { likelyOf } from './kind-in-line.ts';
import { type Draft } from './line-read.ts';

/** What is poured, with how much one vessel of it holds; null: it is counted in pieces, or nothing is said of the kind. */
export function vesselled(text: string, region: Region): { litres: number; rest: string } | null {
  const said = volumeIn(text, region);
  if (!said) return null;
  // a bottle of ink is a kind of its own beside what ink else there is
  const within = `${said.vessel.replace(/s$/i, '')} of ${said.rest}`;
  const rest = said.vessel !== '' && likelyOf(within)?.form === 'bottle' ? within : said.rest;
  const kind = likelyOf(rest);
  // a jar of buttons is filled with them
  const poured = kind
    ? kind.form === 'bottle' || /\bbottle\b/.test(kind.name)
    : !(/\bof\s+\S/i.test(text) && filledIn(text, []));
  if (!poured) return null;
  return { litres: said.litres, rest: said.count === null ? rest : `${said.count} ${rest}` };
}

/** The sizes of a vessel from what it holds: worked out, so they are marked as not sure. */
export function setVessel(
  supply: Draft,
  litres: number,
  kind: KindOfSupply | null,
  weighed: boolean,
  known: Set<Sized>,
) {
  Object.assign(supply, vesselOf(litres, kind));
  for (const field of ['width', 'depth', 'height'] as const) known.add(field);
  supply.unsure.push('width', 'depth', 'height');
  if (!kind) supply.form = 'bottle';
  if (weighed) return;
  supply.mass = Math.round(litres * GRAMS_A_LITRE);
  known.add('mass');
  supply.unsure.push('mass');
}
