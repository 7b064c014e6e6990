import { Trash2 } from 'lucide-react';
import { factsOf } from '@heronstone/core/catalogue';
import { newId, type Supply } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { LengthField, SelectField } from '../../../ui/fields/index.ts';
import { heightBan, type Heights, withHeight } from './height-ban.ts';

/** Where it must never live, and the zone it belongs to whatever uses it. */
export function Never({ supply }: { supply: Supply }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const bans = Object.values(plan.bans).filter((b) => b.supplyId === supply.id);
  const heights = heightBan(plan, supply.id);
  const units = Object.values(plan.units).filter((u) => factsOf(u.kind).places !== null);
  const zones = Object.values(plan.zones);
  const height = (part: Partial<Heights>) => {
    const command = withHeight(plan, supply.id, part);
    if (command) dispatch(command);
  };
  return (
    <fieldset>
      <legend className="text-[13px] font-semibold">It never lives</legend>
      <div className="grid grid-cols-3 gap-2">
        <LengthField
          label="above"
          empty="any height"
          optional
          positive
          mm={heights?.above ?? null}
          onCommit={(above) => height({ above })}
        />
        <LengthField
          label="below"
          empty="any height"
          optional
          positive
          mm={heights?.below ?? null}
          onCommit={(below) => height({ below })}
        />
        <SelectField
          label="in"
          value=""
          options={[
            ['', 'any unit it likes'],
            ...units.filter((u) => !bans.some((b) => b.unitId === u.id)).map((u) => [u.id, u.name] as const),
          ]}
          onCommit={(unitId) =>
            unitId !== '' &&
            dispatch({
              type: 'addBan',
              ban: { id: newId('ban'), supplyId: supply.id, unitId, above: null, below: null },
            })
          }
        />
      </div>
      {bans
        .filter((b) => b.unitId !== null)
        .map((b) => (
          <p key={b.id} className="flex items-center gap-1 text-[14px]">
            not in {plan.units[b.unitId!]?.name}
            <Button
              look="quiet"
              className="!px-1"
              aria-label={`Let it live in ${plan.units[b.unitId!]?.name}`}
              onClick={() => dispatch({ type: 'removeBan', id: b.id })}
            >
              <Trash2 size={13} aria-hidden />
            </Button>
          </p>
        ))}
      {zones.length > 0 && (
        <SelectField
          label="it belongs to the zone"
          value={supply.zoneId ?? ''}
          options={[['', 'of what uses it'], ...zones.map((z) => [z.id, z.name] as const)]}
          onCommit={(id) => dispatch({ type: 'setSupply', id: supply.id, set: { zoneId: id || null } })}
        />
      )}
    </fieldset>
  );
}
