import { type Effect, type School } from '@heronstone/core/homes';
import { type PlanHead } from '@heronstone/core/plan';
import { SchoolDrawing } from '../SchoolDrawing.tsx';
import { Choice } from './Choice.tsx';

export function SchoolRow({
  school,
  value,
  effects,
  now,
  onChoose,
  onBeside,
}: {
  school: School;
  value: PlanHead[School['key']];
  effects: ReadonlyMap<string, Effect>;
  now: Effect | undefined;
  onChoose: (value: PlanHead[School['key']]) => void;
  onBeside: ((value: PlanHead[School['key']], words: string) => void) | null;
}) {
  // the figures speak for the choice with the fewest seconds, once all are known
  const known = school.choices.flatMap(([v]) => {
    const effect = v === value ? now : effects.get(`${school.key} ${v}`);
    return effect ? [{ v, seconds: effect.seconds }] : [];
  });
  const best =
    known.length === school.choices.length ? known.reduce((a, b) => (b.seconds < a.seconds - 60 ? b : a)).v : null;
  const own = school.choices.some(([v]) => v === value);
  return (
    <fieldset>
      <legend className="font-semibold">{school.question}</legend>
      <div className="mt-1 flex flex-wrap items-start gap-2">
        {!own && <span>{typeof value === 'number' ? `${Math.round(value * 100)} % kept free` : value}</span>}
        {school.choices.map(([v, words]) => (
          <Choice
            key={String(v)}
            drawing={<SchoolDrawing school={school.key} value={v} />}
            name={school.key}
            words={words}
            checked={v === value}
            effect={effects.get(`${school.key} ${v}`)}
            now={now}
            speaks={best === v}
            onChoose={() => onChoose(v)}
            {...(v === value ? {} : { onBeside: onBeside && (() => onBeside(v, words)) })}
          />
        ))}
      </div>
    </fieldset>
  );
}
