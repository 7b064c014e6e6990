import { SCHOOLS, type School } from '@heronstone/core/homes';
import { newId } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField } from '../../../ui/fields/index.ts';

/** What may be another for a family or a zone. */
const APART = SCHOOLS.filter(
  (s): s is School & { key: 'seen' | 'grouping' | 'packaging' | 'growth' } =>
    s.key !== 'newThings' && s.key !== 'tools',
);

/** Families and zones that are worked with in another way than the rest. */
export function Apart() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const ways = Object.values(plan.ways);
  const families = [...new Set(Object.values(plan.supplies).flatMap((s) => s.family || []))].sort();
  const free = [
    ...families.filter((f) => !ways.some((w) => w.family === f)).map((f) => [`f ${f}`, f] as const),
    ...Object.values(plan.zones)
      .filter((z) => !ways.some((w) => w.zoneId === z.id))
      .map((z) => [`z ${z.id}`, `zone ${z.name}`] as const),
  ];
  return (
    <section aria-label="Other for a family or a zone" className="mt-3">
      <h3 className="font-semibold">Other for a family or a zone</h3>
      <ul className="space-y-1">
        {ways.map((way) => (
          <li key={way.id} className="flex flex-wrap items-end gap-2">
            <span className="min-w-36">{way.zoneId === null ? way.family : plan.zones[way.zoneId]?.name}</span>
            {APART.filter(({ key }) => key !== 'growth' || way.zoneId !== null).map(({ key, question, choices }) => (
              <SelectField
                key={key}
                label={question.toLowerCase()}
                value={String(way[key] ?? '')}
                options={[['', 'as in the plan'], ...choices.map(([value, words]) => [String(value), words] as const)]}
                onCommit={(chosen) => {
                  const value = choices.find(([v]) => String(v) === chosen)?.[0] ?? null;
                  dispatch({ type: 'setWay', id: way.id, set: { [key]: value } });
                }}
              />
            ))}
            <Button look="quiet" onClick={() => dispatch({ type: 'removeWay', id: way.id })}>
              As the rest
            </Button>
          </li>
        ))}
      </ul>
      {free.length > 0 && (
        <SelectField
          label="Add a family or a zone"
          value=""
          options={[['', 'choose …'], ...free]}
          onCommit={(value) => {
            if (value === '') return;
            const zone = value.startsWith('z ');
            dispatch({
              type: 'addWay',
              way: {
                id: newId('way'),
                family: zone ? '' : value.slice(2),
                zoneId: zone ? value.slice(2) : null,
                seen: null,
                grouping: null,
                packaging: null,
                growth: null,
              },
            });
          }}
        />
      )}
    </section>
  );
}
