import { Check, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { asOne, type Out, type Project, type Supply } from '@heronstone/core/plan';
import { jot } from '../../../state/jot.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { NumberField } from '../../../ui/fields/index.ts';
import { today } from '../../../ui/words.ts';
import { newOut } from '../PutBack.tsx';
import { SupplySearch } from '../SupplySearch.tsx';
import { backFrom, takenFor } from './jottings.ts';
import { WORDS } from './states.ts';
import { PackLike } from './PackLike.tsx';

export function Things({ project, outs }: { project: Project; outs: readonly Out[] }) {
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
    const done = trip ? set(out, { state: 'back' }) : dispatch({ type: 'removeOut', id: out.id });
    if (done) jot(...backFrom(plan, out));
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
                    if (set(out, { state: 'out', since: today() })) jot(...takenFor(project, [out]));
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
              if (taken) jot(...takenFor(project, wanted));
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
