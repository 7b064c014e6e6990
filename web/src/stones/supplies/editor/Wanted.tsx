import { useNavigate } from 'react-router';
import { type Supply } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { MonthsField } from '../../../ui/months.tsx';
import { seasonWords } from './season-words.ts';

/** In which months it is wanted, and where it rests in the others. */
export function Wanted({ supply, onCommit }: { supply: Supply; onCommit: (months: number[]) => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const navigate = useNavigate();
  const { seasonal, rests, words } = seasonWords(plan, supply);
  return (
    <div>
      <MonthsField label="Wanted only in these months" months={supply.months} onCommit={onCommit} />
      <p className="mt-0.5 text-[14px] text-soft">
        {words}{' '}
        {seasonal && (
          <button
            type="button"
            className="text-heron underline"
            onClick={() => void navigate(`/p/${plan.id}/homes?supply=${supply.id}&share=resting`)}
          >
            Where it rests …
          </button>
        )}
        {rests && !seasonal && (
          <button
            type="button"
            className="text-heron underline"
            onClick={() => dispatch({ type: 'leaveHome', supplyId: supply.id, share: 'resting' })}
          >
            Take that away
          </button>
        )}
      </p>
    </div>
  );
}
