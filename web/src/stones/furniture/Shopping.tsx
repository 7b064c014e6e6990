import { Trash2 } from 'lucide-react';
import { shoppingList } from '@heronstone/core/fit';
import { newId, type Organiser, placeTitle } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { CheckField, LengthField, NumberField, TextField } from '../../ui/fields.tsx';
import { Sheet } from '../../ui/sheet.tsx';

/** The organisers there are in the plan, and what to buy so that every place has its own. */
export function Shopping({ onClose }: { onClose: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const rows = shoppingList(plan);
  const add = () =>
    dispatch({
      type: 'addOrganiser',
      organiser: {
        id: newId('organiser'),
        name: `Box ${rows.length + 1}`,
        width: 150,
        depth: 200,
        height: 100,
        innerWidth: 144,
        innerDepth: 194,
        innerHeight: 97,
        lid: false,
        lidRise: 0,
        seeThrough: true,
        packOf: 1,
        have: 0,
      },
    });
  return (
    <Sheet title="Organisers and what to buy" onClose={onClose} wide>
      {rows.length === 0 && (
        <p className="text-soft">
          No organisers yet. Add one with its outside size, then “Does it go in?” puts it into places.
        </p>
      )}
      <ul className="divide-y divide-line">
        {rows.map(({ organiser, need, packs, buy, spare, where }) => (
          <li key={organiser.id} className="py-2">
            <Editor organiser={organiser} />
            <p className="font-semibold">
              {packs === 0
                ? need === 0
                  ? 'Not wanted anywhere yet.'
                  : `Enough: ${need} wanted, ${organiser.have} at hand.`
                : `Buy ${packs} ${packs === 1 ? 'pack' : 'packs'} of ${organiser.packOf}: ${buy}, with ${organiser.have} at hand for ${need} wanted; ${spare} over.`}
            </p>
            {where.map((w) => {
              const set = Object.values(plan.organiserSets).find(
                (s) => s.organiserId === organiser.id && s.placeId === w.place.id,
              );
              return (
                <p key={w.place.id} className="flex items-center gap-2 text-[14px] text-soft">
                  {w.count} in {placeTitle(plan, w.place)}
                  {set && (
                    <Button
                      look="quiet"
                      className="!px-1"
                      aria-label={`Take them out of ${placeTitle(plan, w.place)}`}
                      onClick={() => dispatch({ type: 'removeOrganiserSet', id: set.id })}
                    >
                      <Trash2 size={13} aria-hidden />
                    </Button>
                  )}
                </p>
              );
            })}
          </li>
        ))}
      </ul>
      <Button className="mt-2" onClick={add}>
        Another organiser
      </Button>
    </Sheet>
  );
}

function Editor({ organiser }: { organiser: Organiser }) {
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Organiser>) => dispatch({ type: 'setOrganiser', id: organiser.id, set: part });
  const length = (key: 'width' | 'depth' | 'height', inner: 'innerWidth' | 'innerDepth' | 'innerHeight') => (
    <LengthField
      label={key}
      positive
      mm={organiser[key]}
      // the wall stays as thick as it was
      onCommit={(mm) =>
        mm !== null && set({ [key]: mm, [inner]: Math.max(1, mm - (organiser[key] - organiser[inner])) })
      }
    />
  );
  return (
    <div className="grid grid-cols-3 items-end gap-2 sm:grid-cols-7">
      <TextField
        className="sm:col-span-2"
        label="organiser"
        value={organiser.name}
        onCommit={(name) => set({ name })}
      />
      {length('width', 'innerWidth')}
      {length('depth', 'innerDepth')}
      {length('height', 'innerHeight')}
      <NumberField
        label="in a pack"
        whole
        min={1}
        max={1000}
        value={organiser.packOf}
        onCommit={(packOf) => set({ packOf })}
      />
      <NumberField label="at hand" whole max={1000} value={organiser.have} onCommit={(have) => set({ have })} />
      <CheckField
        label="lid"
        checked={organiser.lid}
        onCommit={(lid) => set({ lid, lidRise: lid ? organiser.lidRise || 60 : 0 })}
      />
      {organiser.lid && (
        <LengthField
          label="lid needs above"
          mm={organiser.lidRise}
          onCommit={(mm) => mm !== null && set({ lidRise: mm })}
        />
      )}
      <Button
        look="quiet"
        className="!px-1"
        aria-label={`Take out ${organiser.name}`}
        onClick={() => dispatch({ type: 'removeOrganiser', id: organiser.id })}
      >
        <Trash2 size={15} aria-hidden />
      </Button>
    </div>
  );
}
