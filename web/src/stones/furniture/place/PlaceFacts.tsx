import { factsOf } from '@heronstone/core/catalogue';
import { capacityOf, holderOf, measureOf } from '@heronstone/core/fit';
import { placeFilling } from '@heronstone/core/homes';
import { formatLength } from '@heronstone/core/lengths';
import { homesIn, type Place, type Plan } from '@heronstone/core/plan';
import { leftToWorkOn } from '@heronstone/core/sessions';

export function PlaceFacts({ plan, place }: { plan: Plan; place: Place }) {
  const filling = placeFilling(plan, place);
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  const names = homesIn(plan, place.id).flatMap((h) => plan.supplies[h.supplyId]?.name ?? []);
  const unit = plan.units[place.unitId];
  const left = unit ? leftToWorkOn(plan, unit) : { width: 0, depth: 0 };
  const measure = (amount: number) => measureOf(filling.nature, amount, plan.head);
  return (
    <div className="space-y-1">
      <p>
        inside {len(place.width)} × {len(place.depth)} × {len(place.height)} high
      </p>
      <p className="text-soft">
        {place.kind === 'top' && unit && factsOf(unit.kind).worktop
          ? `${len(left.width)} × ${len(left.depth)} left to work on; `
          : ''}
        {measure(filling.used)} of {measure(capacityOf(holderOf(place)))} used
        {names.length > 0
          ? `: ${names.slice(0, 5).join(', ')}${names.length > 5 ? ` and ${names.length - 5} more` : ''}`
          : ''}
      </p>
      {filling.faults.map((f) => (
        <p key={f} className="text-clash">
          {f}
        </p>
      ))}
    </div>
  );
}
