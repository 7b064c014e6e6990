import { CATALOGUE } from '@heronstone/core/catalogue';
import {
  blankUnit,
  type Command,
  middleOfRoom,
  newId,
  placeTitle,
  type Plan,
  type Station,
} from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { SelectField } from '../../ui/fields/index.ts';

/** The box or cart that comes to the seat; a box may be new, and is kept somewhere. */
export function Traveller({ station, plan }: { station: Station; plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const kit = station.housing === 'kit';
  const units = Object.values(plan.units).filter((u) =>
    kit ? u.kind === 'carryBox' : CATALOGUE[u.kind].group === 'wheels',
  );
  const unit = station.travellerId ? plan.units[station.travellerId] : undefined;
  const choose = (id: string) => {
    if (id !== 'new')
      return void dispatch({ type: 'setStation', id: station.id, set: { travellerId: id || null, parkingId: null } });
    const middle = middleOfRoom(plan);
    const name = `${plan.activities[station.activityId]?.name ?? 'New'} ${kit ? 'box' : 'cart'}`;
    const fresh = {
      ...blankUnit(newId('unit'), kit ? 'carryBox' : 'rollingCart', plan.head.measure),
      name,
      ...middle,
      bottom: 0,
    };
    dispatch({
      type: 'several',
      words: `bring in ${name}`,
      commands: [
        { type: 'placeUnit', unit: fresh },
        { type: 'setStation', id: station.id, set: { travellerId: fresh.id, parkingId: null } },
      ],
    } as Command);
  };
  const spots = Object.values(plan.parkings).filter((p) => p.unitId === station.travellerId);
  const places = Object.values(plan.places).filter((p) => {
    const holder = plan.units[p.unitId];
    return (
      holder &&
      holder.id !== unit?.id &&
      holder.kind !== 'carryBox' &&
      ['shelf', 'cubby', 'tier', 'away', 'drawer'].includes(p.kind)
    );
  });
  return (
    <>
      <SelectField
        className="w-44"
        label={kit ? 'in' : 'on'}
        value={station.travellerId ?? ''}
        options={[
          ['', 'choose'],
          ...units.map((u) => [u.id, u.name] as const),
          ['new', kit ? 'a new box' : 'a new cart'],
        ]}
        onCommit={choose}
      />
      {kit && unit && (
        <SelectField
          className="w-56"
          label="kept in"
          value={unit.keptInId ?? ''}
          options={[['', 'nowhere: it stands about'], ...places.map((p) => [p.id, placeTitle(plan, p)] as const)]}
          onCommit={(id) => dispatch({ type: 'setUnit', id: unit.id, set: { keptInId: id || null } })}
        />
      )}
      {!kit && unit && (
        <SelectField
          className="w-48"
          label="worked at"
          value={station.parkingId ?? ''}
          options={[['', 'beside the working hand'], ...spots.map((p) => [p.id, p.name] as const)]}
          onCommit={(id) => dispatch({ type: 'setStation', id: station.id, set: { parkingId: id || null } })}
        />
      )}
    </>
  );
}
