import { arrangeVerb } from './arrange.ts';
import { budgetVerb } from './budget.ts';
import { checkVerb } from './check.ts';
import { cutVerb } from './cut.ts';
import { doingVerb } from './doing.ts';
import { fillVerb } from './fill.ts';
import { helpMostVerb } from './help-most.ts';
import { homesVerb } from './homes.ts';
import { measureVerb } from './measure.ts';
import { bookVerb, mapsVerb } from './print.ts';
import { reachVerb } from './reach.ts';
import { readListVerb } from './read-list.ts';
import { slotVerb } from './slot.ts';
import { tryoutVerb } from './tryout.ts';
import { zonesVerb } from './zones.ts';
import { type Verb } from './verb.ts';

/** Every verb by what it is called by, in the order in which they are told. */
export const VERBS: ReadonlyMap<string, Verb> = new Map(
  Object.entries({
    slot: slotVerb,
    reach: reachVerb,
    homes: homesVerb,
    check: checkVerb,
    fill: fillVerb,
    zones: zonesVerb,
    'read-list': readListVerb,
    budget: budgetVerb,
    cut: cutVerb,
    doing: doingVerb,
    measure: measureVerb,
    tryout: tryoutVerb,
    'help-most': helpMostVerb,
    arrange: arrangeVerb,
    book: bookVerb,
    maps: mapsVerb,
  }),
);
