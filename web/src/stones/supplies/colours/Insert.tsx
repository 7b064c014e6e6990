import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { formatLength, formatWeight, type Measure } from '@heronstone/core/lengths';
import { type Plan } from '@heronstone/core/plan';
import { insertCommand, insertWays, type InsertWay, planInsert } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { NumberField, SelectField } from '../../../ui/fields/index.ts';
import { countWords } from '../../../ui/words.ts';

/** “upright: Cube unit, 5 free of 33 × 39 × 33 cm”. */
function wayWords({ kind, name, places, inside, organiser }: InsertWay, measure: Measure): string {
  const size = [inside.width, inside.depth, inside.height].map((mm) => formatLength(mm, measure)).join(' × ');
  const where = organiser ? `goes in ${places.length} times` : `${places.length} free of ${size}`;
  return `${kind === 'slots' ? 'upright' : 'flat'}: ${name}, ${where}`;
}

/** Slots planned for some papers: how many, in what, how full they stand, what is to be bought; made at a press. */
export function Insert({
  plan,
  ids,
  of,
  onMade,
}: {
  plan: Plan;
  ids: readonly string[];
  of: string;
  onMade: (unitId: string) => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const ways = useMemo(() => insertWays(plan, ids), [plan, ids]);
  const [at, setAt] = useState('');
  const [each, setEach] = useState(0);
  const [free, setFree] = useState(Math.round(plan.head.growth * 100));
  const way = ways.find((w) => w.id === at) ?? ways[0];
  const { measure } = plan.head;
  const sheets = ids.filter((id) => ['sheet', 'pocket'].includes(plan.supplies[id]?.form ?? ''));
  const planned = way ? planInsert(plan, ids, way, free / 100, way.each ?? (each > 0 ? each : null)) : null;
  return (
    <details className="rounded-lg border border-line p-2" data-print-part="none">
      <summary className="cursor-pointer font-semibold">Plan slots for {of}</summary>
      {!way && (
        <p className="mt-1 text-soft">
          {sheets.length === 0
            ? 'Nothing of it is a sheet: choose papers from the chart, or one family.'
            : 'No free place takes sheets of this size upright or flat: empty one, or bring a unit in at Furniture.'}
        </p>
      )}
      {way && (
        <div className="mt-1 space-y-1">
          <div className="flex flex-wrap items-end gap-2">
            <SelectField
              label="made in"
              value={way.id}
              options={ways.map((w) => [w.id, wayWords(w, measure)] as const)}
              onCommit={(id) => {
                setAt(id);
                setEach(0);
              }}
            />
            {way.each === null && (
              <NumberField
                className="w-24"
                label="slots each"
                whole
                max={60}
                min={1}
                value={each > 0 ? each : (planned?.each ?? 1)}
                onCommit={setEach}
              />
            )}
            <NumberField className="w-24" label="kept free" unit="%" max={60} whole value={free} onCommit={setFree} />
          </div>
          {planned ? (
            <>
              <p>
                <strong className="font-semibold">
                  {countWords(sheets.length, 'colour wants', 'colours want')}{' '}
                  {countWords(planned.slots, 'slot', 'slots')}
                </strong>
                , {free} % of them free:{' '}
                {way.organiser
                  ? countWords(planned.inserts, 'insert', 'inserts')
                  : countWords(planned.inserts, 'place', 'places')}{' '}
                of {planned.each}, each slot {formatLength(planned.size, measure)} for {planned.most} of the thickest.
              </p>
              <p className="text-[14px] text-soft">
                {planned.several.length > 0 &&
                  `More than one slot: ${planned.several.map((s) => `${plan.supplies[s.id]!.name} ${s.slots}`).join(', ')}. `}
                {planned.bows > 0 &&
                  `${countWords(planned.bows, 'colour fills', 'colours fill')} less than two thirds of a slot and will lean and bow (common practice). `}
                {formatWeight(planned.mass, measure)} of paper now, with every slot full{' '}
                {formatWeight(planned.full, measure)}
                {planned.load > 0 &&
                  planned.full > planned.load &&
                  `: the places carry ${formatWeight(planned.load, measure)}`}
                .
                {way.organiser &&
                  ` To buy: ${planned.buy === 0 ? 'none' : planned.buy}${way.organiser.price === null || planned.buy === 0 ? '' : `, for ${(planned.buy * way.organiser.price).toFixed(2)}`}.`}
              </p>
              {planned.lacking > 0 && (
                <p className="text-clash">
                  {planned.lacking === 1 ? 'One of them has' : `${planned.lacking} of them have`} no free place to go
                  into.
                </p>
              )}
              <Button
                onClick={() => {
                  const command = insertCommand(plan, way, planned);
                  if (!command) return void toast('There is no free place to make them in.');
                  if (!dispatch(command)) return;
                  toast.success('The slots are made. Lay the row next.');
                  onMade(planned.places[0]!.unitId);
                }}
              >
                {way.organiser ? 'Set them in' : 'Divide it so'}
              </Button>
            </>
          ) : (
            <p className="text-clash">The papers do not go into slots so narrow.</p>
          )}
        </div>
      )}
    </details>
  );
}
