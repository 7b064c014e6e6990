import { newId, type Project, type ProjectState } from '@heronstone/core/plan';
import { dayWords } from '@heronstone/core/upkeep';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { countWords, today } from '../../../ui/words.ts';
import { ORDER, outsOf, stateWords, amissWords } from './states.ts';
import { NewProject } from './NewProject.tsx';
import { OneProject } from './OneProject.tsx';

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
