import { Check, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import {
  asOne,
  type Command,
  compartmentsOf,
  newId,
  type Out,
  placeTitle,
  type Plan,
  type Project,
  type ProjectState,
  type Supply,
} from '@heronstone/core/plan';
import { daysBetween, dayWords, endProject, packedWords, type PackFrom, packingList } from '@heronstone/core/upkeep';
import { jot } from '../../state/jot.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { NumberField, SelectField, TextField } from '../../ui/fields.tsx';
import { PlaceField } from '../../ui/place-field.tsx';
import { countWords, today } from '../../ui/words.ts';
import { newOut } from './PutBack.tsx';
import { SupplySearch } from './SupplySearch.tsx';

const STATES: Record<Project['kind'], readonly (readonly [ProjectState, string])[]> = {
  project: [
    ['idea', 'an idea'],
    ['planned', 'planned'],
    ['going', 'going on'],
    ['resting', 'resting'],
    ['done', 'done'],
  ],
  trip: [
    ['planned', 'to be packed'],
    ['going', 'out with it'],
    ['done', 'back and checked'],
  ],
};
const stateWords = (p: Project) => STATES[p.kind].find(([s]) => s === p.state)?.[1] ?? p.state;
/** What of a trip that is out was not packed, to follow what it is. */
const amissWords = (plan: Plan, p: Project) => {
  const packed = packedWords(plan, p.id);
  return packed && `; ${packed}`;
};
const ORDER: readonly ProjectState[] = ['going', 'planned', 'resting', 'idea', 'done'];

const outsOf = (plan: Plan, projectId: string) =>
  Object.values(plan.outs)
    .filter((o) => o.projectId === projectId)
    .sort((a, b) => byName.compare(nameOf(plan, a), nameOf(plan, b)) || (a.id < b.id ? -1 : 1));
const byName = new Intl.Collator('en', { sensitivity: 'base' });
const nameOf = (plan: Plan, out: Out) => plan.supplies[out.supplyId]?.name ?? '';

/** Projects with what is out for them and where their tray stands; ideas; trips packed from a list and checked when back. */
export default function Projects() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const projects = Object.values(plan.projects).sort(
    (a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state) || (a.name < b.name ? -1 : 1),
  );
  const chosen = plan.projects[get('project') ?? ''] ?? projects.find((p) => p.state !== 'done');
  const add = (kind: Project['kind'], name: string, state: ProjectState) => {
    const id = newId('project');
    const done = dispatch({
      type: 'addProject',
      project: { id, name, kind, state, activityId: null, since: today(), forDay: null, trayId: null, note: '' },
    });
    if (done) select({ project: id });
  };
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[20rem_minmax(0,1fr)]">
      <section aria-label="Projects">
        <NewProject onAdd={add} />
        {projects.length === 0 && (
          <p className="py-3 text-soft">Nothing is being made yet. Write down an idea, or what you have begun.</p>
        )}
        <ul className="mt-1">
          {projects.map((p) => {
            const out = outsOf(plan, p.id).filter((o) => o.state === 'out').length;
            return (
              <li key={p.id}>
                <button
                  type="button"
                  aria-current={p.id === chosen?.id ? 'true' : undefined}
                  onClick={() => select({ project: p.id })}
                  className={`w-full border-l-4 px-3 py-1.5 text-left ${p.id === chosen?.id ? 'border-heron bg-stone' : 'border-transparent hover:bg-stone/60'}`}
                >
                  <span className={`block font-semibold ${p.state === 'done' ? 'text-soft' : ''}`}>{p.name}</span>
                  <span className="text-[13px] text-soft">
                    {stateWords(p)}
                    {amissWords(plan, p)}
                    {p.forDay && `, for ${dayWords(p.forDay)}`}
                    {out > 0 && `, ${countWords(out, 'thing', 'things')} out`}
                  </span>
                </button>
              </li>
            );
          })}
        </ul>
      </section>
      {chosen && <OneProject key={chosen.id} project={chosen} />}
    </div>
  );
}

function NewProject({ onAdd }: { onAdd: (kind: Project['kind'], name: string, state: ProjectState) => void }) {
  const [name, setName] = useState('');
  const add = (kind: Project['kind'], state: ProjectState) => {
    if (name.trim() === '') return void toast('Give it a name first.');
    onAdd(kind, name.trim().slice(0, 120), state);
    setName('');
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        add('project', 'idea');
      }}
    >
      <label htmlFor="new-project" className="block text-[13px] text-soft">
        A new one
      </label>
      <input
        id="new-project"
        value={name}
        maxLength={120}
        onChange={(e) => setName(e.target.value)}
        autoComplete="off"
        className="min-h-[34px] w-full rounded-md border border-edge bg-paper px-2"
      />
      <div className="mt-1 flex flex-wrap gap-1.5">
        <Button type="submit">
          <Plus size={15} aria-hidden /> Idea
        </Button>
        <Button onClick={() => add('project', 'going')}>Begin it</Button>
        <Button onClick={() => add('trip', 'planned')}>Pack for a trip</Button>
      </div>
    </form>
  );
}

function OneProject({ project }: { project: Project }) {
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
        <div>
          <label htmlFor="for-day" className="block text-[13px] text-soft">
            for the day
          </label>
          <input
            id="for-day"
            type="date"
            className="min-h-[34px] rounded-md border border-edge bg-paper px-2"
            value={project.forDay ?? ''}
            onChange={(e) => set({ forDay: e.target.value || null })}
          />
        </div>
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
        {tray && `; in ${placeTitle(plan, tray)}`}
        {amissWords(plan, project)}
      </p>
      <Things project={project} outs={outs} />
      <div>
        <label htmlFor="project-note" className="block text-[13px] text-soft">
          notes and numbers, for writing it up
        </label>
        <Note value={project.note} onCommit={(note) => set({ note })} />
      </div>
    </section>
  );
}

function Note({ value, onCommit }: { value: string; onCommit: (text: string) => void }) {
  // what is typed and not yet kept; else what the plan has, also when that changes elsewhere
  const [draft, setDraft] = useState<string | null>(null);
  return (
    <textarea
      id="project-note"
      rows={4}
      maxLength={8000}
      className="w-full max-w-2xl rounded-md border border-edge bg-paper px-2 py-1"
      value={draft ?? value}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={() => {
        if (draft !== null && draft !== value) onCommit(draft);
        setDraft(null);
      }}
    />
  );
}

const WORDS: Record<Project['kind'], Record<Out['state'], string>> = {
  project: { wanted: 'wanted', out: 'out', back: 'back' },
  trip: { wanted: 'to pack', out: 'packed', back: 'back' },
};

/** Fills a trip’s list from an activity, a set, a box or an earlier trip, for so many people; what is on it already is there once. */
function PackLike({ project, outs }: { project: Project; outs: readonly Out[] }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [from, setFrom] = useState('');
  const [people, setPeople] = useState(1);
  const sets = [...new Set(Object.values(plan.supplies).flatMap((s) => (s.kit ? [s.kit] : [])))].sort();
  const boxes = Object.values(plan.units).filter((u) => u.kind === 'carryBox');
  const options: [string, string][] = [
    ...Object.values(plan.activities).map((a): [string, string] => [`activity ${a.id}`, a.name]),
    ...sets.map((s): [string, string] => [`kit ${s}`, `the set ${s}`]),
    ...boxes.flatMap((u) =>
      compartmentsOf(plan, u.id).map((p): [string, string] => [`box ${p.id}`, `what is in ${placeTitle(plan, p)}`]),
    ),
    ...Object.values(plan.projects)
      .filter((p) => p.kind === 'trip' && p.id !== project.id)
      .map((p): [string, string] => [`trip ${p.id}`, `as for ${p.name}`]),
  ];
  const [what, ...rest] = from.split(' ');
  const activity = what === 'activity';
  const add = () => {
    const list = packingList(plan, { what: what as PackFrom['what'], id: rest.join(' ') }, activity ? people : 1);
    const more = list.filter((l) => !outs.some((o) => o.supplyId === l.supplyId));
    if (more.length === 0)
      return void toast(list.length === 0 ? 'There is nothing of it to pack.' : 'All of it is on the list already.');
    const commands = more.map(({ supplyId, count, double }): Command => ({
      type: 'addOut',
      out: newOut(supplyId, project.id, { state: 'wanted', count, double }),
    }));
    if (dispatch(asOne(`pack for ${project.name}`, commands)))
      toast(`${countWords(more.length, 'thing', 'things')} put on the list.`);
  };
  if (options.length === 0) return null;
  return (
    <div className="mt-2 flex flex-wrap items-end gap-2" role="group" aria-label="Fill the list">
      <SelectField
        className="w-64"
        label="all that is for"
        value={from}
        options={[['', 'choose …'], ...options]}
        onCommit={setFrom}
      />
      {activity && (
        <NumberField
          className="w-24"
          label="for how many"
          whole
          min={1}
          max={200}
          value={people}
          onCommit={setPeople}
        />
      )}
      <Button disabled={from === ''} onClick={add}>
        <Plus size={15} aria-hidden /> Put it on the list
      </Button>
    </div>
  );
}

function Things({ project, outs }: { project: Project; outs: readonly Out[] }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [adding, setAdding] = useState(false);
  const trip = project.kind === 'trip';
  const add = (supply: Supply) => {
    if (outs.some((o) => o.supplyId === supply.id)) return void toast(`${supply.name} is on the list already.`);
    dispatch({
      type: 'addOut',
      out: newOut(supply.id, project.id, {
        state: trip || project.state === 'idea' || project.state === 'planned' ? 'wanted' : 'out',
      }),
    });
  };
  const set = (out: Out, part: Partial<Omit<Out, 'id'>>) => dispatch({ type: 'setOut', id: out.id, set: part });
  const back = (out: Out) => {
    const home = plan.homes;
    const placeId =
      Object.values(home).find((h) => h.supplyId === out.supplyId && h.share === 'working')?.placeId ?? null;
    const done = trip ? set(out, { state: 'back' }) : dispatch({ type: 'removeOut', id: out.id });
    if (done && !out.double) jot({ what: 'putBack', supplyId: out.supplyId, placeId, count: out.count });
  };
  const wanted = outs.filter((o) => o.state === 'wanted');
  return (
    <div>
      <h2 className="font-display text-lg font-semibold">{trip ? 'What goes along' : 'What is out for it'}</h2>
      {outs.length === 0 && (
        <p className="text-soft">
          {trip
            ? 'Nothing on the list yet.'
            : 'Nothing yet. What you take for it, add here: it is then known where it is, and what must come back.'}
        </p>
      )}
      <ul className="divide-y divide-line">
        {outs.map((out) => {
          const supply = plan.supplies[out.supplyId];
          if (!supply) return null;
          return (
            <li key={out.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5" data-out={out.state}>
              <span className="min-w-40 grow">
                <strong className="font-semibold">{supply.name}</strong>{' '}
                <span className={out.state === 'back' ? 'text-soft' : ''}>
                  {WORDS[project.kind][out.state]}
                  {out.double && ', a second one'}
                </span>
              </span>
              <NumberField
                className="w-20"
                label={`count of ${supply.name}`}
                hideLabel
                whole
                min={1}
                value={out.count}
                onCommit={(count) => set(out, { count })}
              />
              {trip && (
                <label className="flex items-center gap-1.5 text-[14px]">
                  <input
                    type="checkbox"
                    className="size-4 accent-heron"
                    checked={out.double}
                    onChange={(e) => set(out, { double: e.target.checked })}
                  />
                  double
                </label>
              )}
              {out.state === 'wanted' ? (
                <Button
                  look="main"
                  aria-label={`${trip ? 'Packed' : 'Out'}: ${supply.name}`}
                  onClick={() => {
                    if (set(out, { state: 'out', since: today() }) && !out.double)
                      jot({
                        what: 'fetched',
                        supplyId: supply.id,
                        activityId: project.activityId,
                        count: out.count,
                        words: project.name,
                      });
                  }}
                >
                  <Check size={15} aria-hidden /> {trip ? 'Packed' : 'Out'}
                </Button>
              ) : (
                out.state === 'out' && (
                  <Button aria-label={`Back: ${supply.name}`} onClick={() => back(out)}>
                    <Check size={15} aria-hidden /> Back
                  </Button>
                )
              )}
              <Button
                look="quiet"
                aria-label={`Off the list: ${supply.name}`}
                onClick={() => dispatch({ type: 'removeOut', id: out.id })}
              >
                <Trash2 size={15} aria-hidden />
              </Button>
            </li>
          );
        })}
      </ul>
      <div className="mt-1 flex flex-wrap gap-2">
        <Button onClick={() => setAdding(!adding)}>
          <Plus size={15} aria-hidden /> Add a thing
        </Button>
        {wanted.length > 1 && (
          <Button
            onClick={() => {
              const taken = dispatch(
                asOne(
                  trip ? 'pack all' : 'take all out',
                  wanted.map((o) => ({ type: 'setOut', id: o.id, set: { state: 'out', since: today() } })),
                ),
              );
              if (taken)
                jot(
                  ...wanted
                    .filter((o) => !o.double)
                    .map((o) => ({
                      what: 'fetched' as const,
                      supplyId: o.supplyId,
                      activityId: project.activityId,
                      count: o.count,
                      words: project.name,
                    })),
                );
            }}
          >
            {trip ? 'All packed' : 'All out'}
          </Button>
        )}
      </div>
      {trip && project.state !== 'done' && <PackLike project={project} outs={outs} />}
      {adding && <SupplySearch label={trip ? 'What goes along?' : 'What is taken for it?'} onChoose={add} />}
    </div>
  );
}
