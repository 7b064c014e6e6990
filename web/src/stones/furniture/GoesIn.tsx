import { useMemo, useState } from 'react';
import { goesIn, type GoesIn as GoesInFit, goesInBeside, MOST_BESIDE, setInCommand } from '@heronstone/core/fit';
import { inMeasure } from '@heronstone/core/lengths';
import { homesIn, type Organiser, type Place, placeTitle } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { CheckField, LengthField, SelectField } from '../../ui/fields/index.ts';
import { Sheet } from '../../ui/sheet.tsx';
import { countWords } from '../../ui/words.ts';

/** Nothing stands in these: what hangs there is asked about at Homes. */
const HANGING: readonly Place['kind'][] = ['board', 'hook', 'hanger', 'dowel'];

/** What goes in as it is, and how many would if it were empty; things that live there by themselves are told, not laid. */
function goesWords(fit: GoesInFit, now: number, kinds: number): string {
  if (!fit.ok) return fit.words;
  const beside = kinds > 0 ? `; ${countWords(kinds, 'thing lives', 'things live')} there besides` : '';
  if (now === fit.fits) return `yes, ${now}: ${fit.words}${beside}`;
  return now > 0
    ? `yes, ${now === MOST_BESIDE ? `${now} or more` : now} beside what stands there (${fit.fits} if it were empty)${beside}`
    : `not beside what stands there (${fit.fits} if it were empty)`;
}

/** Any organiser or thing against every place: yes and how many, or how many millimetres are missing. */
export function GoesIn({ unitId, onClose }: { unitId: string | null; onClose: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const organisers = Object.values(plan.organisers);
  const [what, setWhat] = useState<string>('own');
  const [size, setSize] = useState({ width: 200, depth: 300, height: 120 });
  const [lying, setLying] = useState(true);
  const [lid, setLid] = useState(false);
  const [only, setOnly] = useState<string>(unitId ?? '');
  const organiser: Organiser | undefined = plan.organisers[what];
  const rows = useMemo(
    () =>
      Object.values(plan.places)
        .filter((p) => (only === '' || p.unitId === only) && !HANGING.includes(p.kind))
        .map((place) => {
          const thing = organiser ?? { ...size, lid, lidRise: lid ? size.height : 0 };
          const fit = goesIn(place, thing, !organiser && lying);
          const now = fit.ok ? goesInBeside(plan, place, thing, !organiser && lying) : 0;
          return { place, fit, now, kinds: homesIn(plan, place.id).length };
        })
        .sort(
          (a, b) =>
            Number(b.now > 0) - Number(a.now > 0) ||
            Number(b.fit.ok) - Number(a.fit.ok) ||
            (a.fit.ok || b.fit.ok ? 0 : a.fit.short - b.fit.short),
        ),
    [plan, only, organiser, size, lid, lying],
  );
  const field = (key: keyof typeof size) => (
    <LengthField
      label={key}
      positive
      mm={size[key]}
      onCommit={(mm) => mm !== null && setSize({ ...size, [key]: mm })}
    />
  );
  return (
    <Sheet title="Does it go in?" onClose={onClose} wide>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-5">
        <SelectField
          label="what"
          value={what}
          options={[['own', 'a thing of this size'], ...organisers.map((o) => [o.id, o.name] as const)]}
          onCommit={setWhat}
        />
        {!organiser && (
          <>
            {field('width')}
            {field('depth')}
            {field('height')}
          </>
        )}
        <SelectField
          label="where"
          value={only}
          options={[['', 'every place'], ...Object.values(plan.units).map((u) => [u.id, u.name] as const)]}
          onCommit={setOnly}
        />
      </div>
      {!organiser && (
        <div className="flex gap-4">
          <CheckField label="may lie on any side" checked={lying} onCommit={setLying} />
          <CheckField label="has a lid that swings up" checked={lid} onCommit={setLid} />
        </div>
      )}
      <p className="mt-2 font-semibold" role="status">
        It goes into {rows.filter((r) => r.now > 0).length} of {rows.length} places as they are
        {rows.some((r) => r.fit.ok && r.now === 0) &&
          `, into ${rows.filter((r) => r.fit.ok && r.now === 0).length} more if they were empty`}
        .
      </p>
      <ul className="divide-y divide-line">
        {rows.slice(0, 120).map(({ place, fit, now, kinds }) => (
          <li key={place.id} className="flex items-center justify-between gap-4 py-1">
            <span>{placeTitle(plan, place)}</span>
            <span className={`flex items-center gap-2 text-right ${now > 0 ? '' : 'text-clash'}`}>
              {inMeasure(goesWords(fit, now, kinds), plan.head.measure)}
              {now > 0 && organiser && (
                <Button
                  onClick={() => {
                    const command = setInCommand(plan, place, organiser, now);
                    if (command) dispatch(command);
                  }}
                >
                  Put {now} in
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
