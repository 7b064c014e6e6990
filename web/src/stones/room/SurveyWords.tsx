import { formatLength } from '@heronstone/core/lengths';
import { roomOf, wallsInOrder } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';

/** How well the walls close, and what to do when they do not. */
export function SurveyWords() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const survey = roomOf(plan);
  const walls = wallsInOrder(plan);
  const suspect = survey.suspect === null ? null : walls[survey.suspect];
  const name = suspect && (suspect.name || `wall ${survey.suspect! + 1}`);
  return (
    <div className="mt-3" role="status">
      <p className={survey.closes || walls.length < 3 ? '' : 'font-semibold text-clash'}>{survey.words}</p>
      {walls.length >= 3 && survey.error >= 1 && (
        <>
          {suspect && !survey.closes && (
            <p className="text-soft">
              Most likely {name}: measure it again. {formatLength(suspect.length + survey.suspectBy, plan.head.measure)}{' '}
              would close best.
            </p>
          )}
          <Button className="mt-1.5" onClick={() => dispatch({ type: 'spreadMisclosure' })}>
            Spread {formatLength(survey.error, plan.head.measure)} over all walls
          </Button>
        </>
      )}
    </div>
  );
}
