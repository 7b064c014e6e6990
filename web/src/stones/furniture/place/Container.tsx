import { Trash2 } from 'lucide-react';
import { type Place, placesDownTo, placeTitle, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField, TextField } from '../../../ui/fields/index.ts';
import { moveCommand } from '@heronstone/core/fit';

/** A container itself: its name, and putting it elsewhere with all that is in it. */
export function Container({ plan, place, onOpen }: { plan: Plan; place: Place; onOpen: (id: string) => void }) {
  const dispatch = usePlan((s) => s.dispatch);
  const places = Object.values(plan.places)
    .filter((p) => p.id !== place.inId && !placesDownTo(plan, p).includes(place))
    .map((p) => [p.id, placeTitle(plan, p)] as const)
    .sort((a, b) => (a[1] < b[1] ? -1 : 1));
  return (
    <section className="space-y-1 border-t border-line pt-1" aria-label="The container">
      <TextField
        label="its name"
        value={place.name}
        onCommit={(name) => dispatch({ type: 'setPlace', id: place.id, set: { name } })}
      />
      <SelectField
        label="move it, with all in it, to"
        value=""
        options={[['', 'stays here'], ...places]}
        onCommit={(to) => {
          const command = to === '' ? null : moveCommand(plan, place, plan.places[to]!);
          if (command && dispatch(command)) onOpen(place.id);
        }}
      />
      <Button
        look="quiet"
        className="!px-1"
        onClick={() => {
          if (dispatch({ type: 'takeOut', id: place.id })) onOpen(place.inId!);
        }}
      >
        <Trash2 size={14} aria-hidden /> Take it out; what lies in it has no home then
      </Button>
    </section>
  );
}
