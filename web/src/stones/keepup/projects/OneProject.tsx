import { Trash2 } from 'lucide-react';
import { toast } from 'sonner';
import { asOne, type Command, type Project, type ProjectState } from '@heronstone/core/plan';
import { placeSaid } from '@heronstone/core/concepts';
import { daysBetween, dayWords, endProject } from '@heronstone/core/upkeep';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { DayField, NoteField, SelectField, TextField } from '../../../ui/fields/index.ts';
import { PlaceField } from '../../../ui/place-field.tsx';
import { countWords, today } from '../../../ui/words.ts';
import { outsOf, STATES, stateWords, amissWords } from './states.ts';
import { Things } from './Things.tsx';

export function OneProject({ project }: { project: Project }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Omit<Project, 'id'>>) => dispatch({ type: 'setProject', id: project.id, set: part });
  const outs = outsOf(plan, project.id);
  const trip = project.kind === 'trip';
  const state = (to: ProjectState) => {
    if (to !== 'done') {
      if (set({ state: to, since: today() }) && trip && to === 'going' && outs.some((o) => o.state === 'wanted'))
        toast('It is out, and not all of it is ticked off as packed.');
      return;
    }
    const left = outs.filter((o) => o.state === 'out' && !o.double).length;
    if (!dispatch(endProject(plan, project.id, today()))) return;
    toast(
      left > 0
        ? `${project.name} is done; ${countWords(left, 'thing waits', 'things wait')} to be put back.`
        : `${project.name} is done.`,
    );
  };
  const tray = project.trayId === null ? undefined : plan.places[project.trayId];
  return (
    <section aria-label={project.name} className="space-y-3">
      <div className="flex flex-wrap items-end gap-2">
        <TextField
          className="w-64"
          label={trip ? 'trip' : 'project'}
          value={project.name}
          onCommit={(name) => set({ name })}
        />
        <SelectField
          className="w-40"
          label="it is"
          value={project.state}
          options={STATES[project.kind]}
          onCommit={state}
        />
        {!trip && (
          <SelectField
            className="w-40"
            label="activity"
            value={project.activityId ?? ''}
            options={[['', 'none'], ...Object.values(plan.activities).map((a) => [a.id, a.name] as const)]}
            onCommit={(id) => set({ activityId: id || null })}
          />
        )}
        <DayField className="w-40" label="for the day" value={project.forDay} onCommit={(forDay) => set({ forDay })} />
        <div className="w-64">
          <PlaceField
            plan={plan}
            label={trip ? 'its bag or box stands' : 'its tray stands'}
            placeId={project.trayId}
            onCommit={(trayId) => set({ trayId })}
          />
        </div>
        <Button
          look="quiet"
          aria-label={`Take out ${project.name}`}
          title="Take this project out of the plan; what is out for it waits to be put back"
          onClick={() =>
            dispatch(
              asOne(`take out ${project.name}`, [
                ...(endProject(plan, project.id, today()) as Extract<Command, { type: 'several' }>).commands,
                { type: 'removeProject', id: project.id },
              ]),
            )
          }
        >
          <Trash2 size={15} aria-hidden />
        </Button>
      </div>
      <p className="text-[14px] text-soft">
        {stateWords(project)} since {dayWords(project.since)}
        {project.state !== 'done' &&
          ` (${countWords(Math.max(0, daysBetween(project.since, today())), 'day', 'days')})`}
        {tray && `; in ${placeSaid(plan, tray)}`}
        {amissWords(plan, project)}
      </p>
      <Things project={project} outs={outs} />
      <NoteField
        className="max-w-2xl"
        label="notes and numbers, for writing it up"
        value={project.note}
        onCommit={(note) => set({ note })}
      />
    </section>
  );
}
