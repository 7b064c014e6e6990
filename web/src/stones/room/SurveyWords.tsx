import { formatLength, inMeasure } from '@heronstone/core/lengths';
import { roomOf, wallsInOrder } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';

/** How well the walls close, and what to do when they do not. */
export function SurveyWords() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const survey = roomOf(plan);
  const walls = wallsInOrder(plan);
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  const suspects = survey.suspects.slice(0, 4).flatMap(({ wall, by }) => {
    const measured = walls[wall];
    return measured ? [`${measured.name || `wall ${wall + 1}`} (${len(measured.length + by)} would close best)`] : [];
  });
  return (
    <div className="mt-3" role="status">
      <p className={survey.closes || walls.length < 3 ? '' : 'font-semibold text-clash'}>
        {inMeasure(survey.words, plan.head.measure)}
      </p>
      {walls.length >= 3 && survey.error >= 1 && (
        <>
          {suspects.length > 0 && (
            <p className="text-soft">
              {suspects.length === 1 ? 'Most likely ' : 'One of '}
              {suspects.join(', ')}: measure {suspects.length === 1 ? 'it' : 'them'} again.
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
