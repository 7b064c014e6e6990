import { usePlan } from '../../state/plan-store.ts';

/** Units that are not on Floor, outside the room or put away: they can be chosen all the same. */
export function Elsewhere({ chosen, onChoose }: { chosen: string | null; onChoose: (id: string) => void }) {
  const units = Object.values(usePlan((s) => s.plan.units));
  const elsewhere = [
    ['Outside the room', units.filter((u) => u.mount === 'away')],
    ['Put away', units.filter((u) => u.mount !== 'away' && u.keptInId !== null)],
  ] as const;
  return elsewhere
    .filter(([, list]) => list.length > 0)
    .map(([where, list]) => (
      <p key={where} className="text-[13px] text-soft">
        {where}:{' '}
        {list.map((u, i) => (
          <span key={u.id}>
            {i > 0 && ', '}
            <button
              type="button"
              className={`underline decoration-line underline-offset-2 hover:text-heron ${u.id === chosen ? 'text-heron' : ''}`}
              onClick={() => onChoose(u.id)}
            >
              {u.name}
            </button>
          </span>
        ))}
      </p>
    ));
}
