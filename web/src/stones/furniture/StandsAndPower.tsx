import { Trash2 } from 'lucide-react';
import { factsOf } from '@heronstone/core/catalogue';
import { massOf, newId, type Unit } from '@heronstone/core/plan';
import { hangingAt, hangsUnder, snapUnit } from '@heronstone/core/room';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { CheckField, LengthField, NumberField, SelectField, WeightField } from '../../ui/fields/index.ts';

/** What a unit stands on or hangs from, what it weighs and bears, what it draws, and where a cart is parked. */
export function StandsAndPower({ unit }: { unit: Unit }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Unit>) => dispatch({ type: 'setUnit', id: unit.id, set: part });
  const doors = Object.values(plan.openings).filter((o) => o.kind === 'door');
  const hosts = Object.values(plan.units).filter((u) => u.id !== unit.id && u.mount !== 'away' && u.hostId !== unit.id);
  const parkings = Object.values(plan.parkings).filter((p) => p.unitId === unit.id);
  const length = (key: 'bottom' | 'feedFront' | 'feedBack' | 'thickness', label: string) => (
    <LengthField label={label} mm={unit[key]} onCommit={(mm) => mm !== null && set({ [key]: mm })} />
  );
  const setHost = (hostId: string) => {
    const host = plan.units[hostId];
    // what was not over its host yet is put onto the middle of it
    const aside = host && Math.hypot(host.x - unit.x, host.y - unit.y) > Math.max(host.width, host.depth) / 2;
    set({
      hostId: host ? host.id : null,
      ...(host && unit.mount === 'on' ? { bottom: host.bottom + host.height } : {}),
      ...(host && hangsUnder(unit) ? { bottom: hangingAt(host, unit) } : {}),
      ...(aside ? { x: host.x, y: host.y, facing: host.facing } : {}),
    });
  };
  const hangOn = (doorId: string | null) => {
    const { x, y, facing } = snapUnit(plan, { ...unit, doorId }, unit);
    set({ doorId, x, y, facing });
  };
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-4 xl:grid-cols-6">
      <SelectField
        label="it"
        value={unit.mount}
        options={[
          ['floor', 'stands on the floor'],
          ['wall', 'hangs on a wall'],
          ['on', 'stands on another unit'],
          ['under', 'is under a worktop'],
          ['door', 'hangs on a door leaf'],
          ['away', 'is outside the room'],
        ]}
        onCommit={(mount) =>
          set({
            mount,
            ...(mount === 'floor' || mount === 'under' ? { bottom: 0, hostId: null } : {}),
            ...(mount === 'door' ? {} : { doorId: null }),
          })
        }
      />
      {(unit.doorsOff || Object.values(plan.places).some((p) => p.unitId === unit.id && p.covers.includes('door'))) && (
        <CheckField label="its doors are off" checked={unit.doorsOff} onCommit={(doorsOff) => set({ doorsOff })} />
      )}
      {(unit.mount === 'on' || unit.mount === 'under') && (
        <SelectField
          label={unit.mount === 'on' ? 'on' : 'under'}
          value={unit.hostId ?? ''}
          options={[['', 'nothing yet'], ...hosts.map((u) => [u.id, u.name] as const)]}
          onCommit={setHost}
        />
      )}
      {unit.mount === 'door' && (
        <SelectField
          label="on the leaf of"
          value={unit.doorId ?? ''}
          options={[['', 'no door yet'], ...doors.map((d, i) => [d.id, `door ${i + 1}`] as const)]}
          onCommit={(doorId) => hangOn(doorId || null)}
        />
      )}
      {unit.mount !== 'floor' && unit.mount !== 'away' && length('bottom', 'above the floor')}
      <WeightField
        label={`weighs empty${unit.mass === null ? ' (estimated)' : ''}`}
        bare="kg"
        max={2_000_000}
        g={massOf(unit)}
        onCommit={(mass) => set({ mass })}
      />
      <WeightField
        label={`rated load${unit.ratedLoad === null ? ' (not known)' : ''}`}
        bare="kg"
        max={5_000_000}
        g={unit.ratedLoad ?? 0}
        onCommit={(g) => set({ ratedLoad: g === 0 ? null : g })}
      />
      <SelectField
        label="shelves of"
        value={unit.board}
        options={[
          ['particleboard', 'particleboard'],
          ['mdf', 'MDF'],
          ['plywood', 'plywood'],
          ['pine', 'pine'],
          ['metal', 'metal'],
        ]}
        onCommit={(board) => set({ board })}
      />
      {length('thickness', 'shelf thickness')}
      <NumberField label="draws" unit="W" max={20_000} value={unit.watts} onCommit={(watts) => set({ watts })} />
      <LengthField label="cord" optional mm={unit.cord} onCommit={(cord) => set({ cord })} />
      {length('feedFront', 'free before it')}
      {length('feedBack', 'free behind it')}
      <CheckField label="fastened to the wall" checked={unit.fixed} onCommit={(fixed) => set({ fixed })} />
      <CheckField
        label="pinned: arrange for me leaves it"
        checked={unit.pinned}
        onCommit={(pinned) => set({ pinned })}
      />
      {factsOf(unit.kind).mobile && (
        <div className="col-span-full flex flex-wrap items-center gap-2">
          <Button
            onClick={() =>
              dispatch({
                type: 'addParking',
                parking: {
                  id: newId('spot'),
                  unitId: unit.id,
                  name: `Spot ${parkings.length + 1}`,
                  x: unit.x,
                  y: unit.y,
                  facing: unit.facing,
                },
              })
            }
          >
            Park it here
          </Button>
          {parkings.map((p) => (
            <span key={p.id} className="flex items-center">
              <Button onClick={() => set({ x: p.x, y: p.y, facing: p.facing })}>Roll to {p.name}</Button>
              <Button
                look="quiet"
                className="!px-1"
                aria-label={`Forget ${p.name}`}
                onClick={() => dispatch({ type: 'removeParking', id: p.id })}
              >
                <Trash2 size={14} aria-hidden />
              </Button>
            </span>
          ))}
        </div>
      )}
    </div>
  );
}
