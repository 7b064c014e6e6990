import { Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { HUE_FAMILIES, type HueFamily, toneOf } from '@heronstone/core/colour';
import { scrapsFor, tooSmall } from '@heronstone/core/cutting';
import { formatLength } from '@heronstone/core/lengths';
import { takeScrap } from '@heronstone/core/stock';
import { type CutPiece, placeTitle, type Plan, type Scrap } from '@heronstone/core/plan';
import { placeSaid } from '@heronstone/core/concepts';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField } from '../../../ui/fields/index.ts';
import { countWords } from '../../../ui/words.ts';
import { NO_SIZE, SizeFields } from './SizeFields.tsx';
import { OneMore } from './OneMoreScrap.tsx';

type Hue = '' | 'warm' | 'cold' | HueFamily;

const HUES: readonly (readonly [Hue, string])[] = [
  ['', 'of any colour'],
  ['warm', 'in a warm colour'],
  ['cold', 'in a cold colour'],
  ...HUE_FAMILIES.map((f) => [f, `in ${f}`] as const),
];

/** Scraps by colour and size: is there one for this? And which of them are good for nothing that is made here. */
export function Scraps({ plan, pieces }: { plan: Plan; pieces: readonly CutPiece[] }) {
  const dispatch = usePlan((s) => s.dispatch);
  const { measure } = plan.head;
  const scraps = useMemo(() => inOrder(Object.values(plan.scraps)), [plan.scraps]);
  const [sought, setSought] = useState(NO_SIZE);
  const [hue, setHue] = useState<Hue>('');
  const found = useMemo(() => {
    const { width, depth } = sought;
    if (width === null || depth === null) return null;
    const by = hue === '' ? {} : hue === 'warm' || hue === 'cold' ? { warm: hue === 'warm' } : { family: hue };
    return scrapsFor(scraps, { width, depth, ...by });
  }, [scraps, sought, hue]);
  const useless = useMemo(() => tooSmall(scraps, pieces), [scraps, pieces]);
  const take = (scrap: Scrap) => {
    const { width, depth } = sought;
    if (width !== null && depth !== null) dispatch(takeScrap(plan, scrap, { width, depth }));
  };
  const size = (s: Scrap) => `${formatLength(s.width, measure)} × ${formatLength(s.depth, measure)}`;
  const where = (s: Scrap) => {
    const place = s.placeId === null ? undefined : plan.places[s.placeId];
    return place ? placeSaid(plan, place) : 'lying about';
  };
  return (
    <aside aria-label="Scraps" className="space-y-3 max-lg:order-first" data-print-part="none">
      <div>
        <h2 className="font-display text-lg font-semibold">Is there a scrap for …</h2>
        <div className="grid grid-cols-[1fr_1fr_1.4fr] items-end gap-2">
          <SizeFields size={sought} onSize={setSought} />
          <SelectField label="colour" value={hue} options={HUES} onCommit={setHue} />
        </div>
        {found && (
          <ul className="mt-1" aria-label="Scraps that will do">
            {found.length === 0 && <li className="text-soft">No: it must come out of a new sheet.</li>}
            {found.slice(0, 3).map((s, i) => (
              <li key={s.id} className="flex items-center gap-2 py-1">
                <Swatch scrap={s} />
                <span className="min-w-0 grow">
                  {i === 0 ? 'Yes: ' : ''}
                  {size(s)}
                  <span className="block truncate text-[13px] text-soft">{where(s)}</span>
                </span>
                <Button onClick={() => take(s)}>Take it</Button>
              </li>
            ))}
          </ul>
        )}
      </div>
      <div>
        <h2 className="font-display text-lg font-semibold">
          Scraps <span className="text-[15px] font-normal text-soft">{scraps.reduce((n, s) => n + s.count, 0)}</span>
        </h2>
        {scraps.length === 0 && (
          <p className="text-soft">Scraps come before a new sheet (common practice): say here what is in the box.</p>
        )}
        <Astray plan={plan} scraps={scraps} />
        {useless.length > 0 && (
          <p className="text-[14px]">
            {countWords(useless.length, 'scrap is', 'scraps are')} too small for anything kept cut here.{' '}
            <button
              type="button"
              className="text-heron underline"
              onClick={() =>
                dispatch({
                  type: 'several',
                  words: 'throw out scraps',
                  commands: useless.map((s) => ({ type: 'removeScrap', id: s.id })) as never,
                })
              }
            >
              Throw them out
            </button>
          </p>
        )}
        <ul className="max-h-72 divide-y divide-line overflow-auto">
          {scraps.map((s) => (
            <li key={s.id} className="flex items-center gap-2 py-1">
              <Swatch scrap={s} />
              <span className="min-w-0 grow">
                {s.count > 1 ? `${s.count} × ` : ''}
                {size(s)}
                <span className="block truncate text-[13px] text-soft">{where(s)}</span>
              </span>
              <Button
                look="quiet"
                className="!px-1.5"
                aria-label={`Scrap ${size(s)} is gone`}
                onClick={() => dispatch({ type: 'removeScrap', id: s.id })}
              >
                <Trash2 size={14} aria-hidden />
              </Button>
            </li>
          ))}
        </ul>
        <OneMore plan={plan} />
      </div>
    </aside>
  );
}

/** Scraps that lie about: sorted back into their box at once, every week or so. */
function Astray({ plan, scraps }: { plan: Plan; scraps: readonly Scrap[] }) {
  const dispatch = usePlan((s) => s.dispatch);
  const astray = scraps.filter((s) => s.placeId === null);
  const boxes = [...new Set(scraps.flatMap((s) => s.placeId ?? []))].filter((id) => plan.places[id]);
  if (astray.length === 0 || boxes.length === 0) return null;
  return (
    <SelectField
      label={`${countWords(astray.length, 'scrap lies', 'scraps lie')} about: sorted back into`}
      value=""
      options={[['', '…'], ...boxes.map((id) => [id, placeTitle(plan, plan.places[id]!)] as const)]}
      onCommit={(placeId) =>
        placeId !== '' &&
        dispatch({
          type: 'several',
          words: 'sort scraps back',
          commands: astray.map((s) => ({ type: 'setScrap', id: s.id, set: { placeId } })) as never,
        })
      }
    />
  );
}

const Swatch = ({ scrap }: { scrap: Scrap }) => (
  <span
    aria-hidden
    className="size-8 shrink-0 rounded-md border border-line"
    style={{ background: scrap.colour ?? 'transparent' }}
  />
);

/** By families of colour, the largest first in each. */
function inOrder(scraps: readonly Scrap[]): Scrap[] {
  const family = (s: Scrap) => (s.colour === null ? 99 : HUE_FAMILIES.indexOf(toneOf(s.colour).family));
  return [...scraps].sort(
    (a, b) => family(a) - family(b) || b.width * b.depth - a.width * a.depth || (a.id < b.id ? -1 : 1),
  );
}
