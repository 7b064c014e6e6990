import { useCallback, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { useAccess } from '../../state/access.ts';
import { act, getHousehold, type Household as Told } from '../../state/household.ts';
import { Button } from '../../ui/button.tsx';
import { type Run, useAtWork } from './at-work.ts';
import { Acts } from './Acts.tsx';
import { Limits } from './Limits.tsx';
import { Mine } from './Mine.tsx';
import { People } from './People.tsx';
import { Sharing } from './Sharing.tsx';
import { Trouble } from './say.tsx';

/** The household on a guild's server: who is in it, how they come in, what was done, what may be kept, what is shown and given to others. */
export function Household() {
  const [told, setTold] = useState<Told | null>(null);
  const look = useAccess((s) => s.look);
  const leaveHere = useAccess((s) => s.leave);
  const { busy, trouble, run } = useAtWork();
  const load = useCallback(() => getHousehold().then(setTold), []);
  useEffect(() => void run(load), [load]); // eslint-disable-line react-hooks/exhaustive-deps -- once
  const doing: Run = (work) =>
    run(async () => {
      await work();
      await load();
      await look();
    });
  const rename = (name: string) => void doing(() => act('name', { name }));
  return (
    <main className="mx-auto max-w-5xl px-6 py-10">
      <Link to="/" className="text-heron underline">
        All plans
      </Link>
      {told && (
        <>
          <div className="mt-2 flex flex-wrap items-baseline gap-x-4">
            <h1 className="font-display text-4xl font-semibold">{told.name}</h1>
            <span className="text-soft">
              its word for coming in: <b>{told.id}</b>
            </span>
            <span className="ml-auto flex gap-2">
              {told.me.role === 'keeper' && <Rename name={told.name} busy={busy} onRename={rename} />}
              <Button onClick={() => void leaveHere()}>Leave this browser</Button>
            </span>
          </div>
          <Trouble words={trouble} />
          <Limits limits={told.limits} />
          <People told={told} busy={busy} run={doing} />
          <Mine told={told} busy={busy} run={doing} />
          {told.me.role === 'keeper' && <Sharing told={told} busy={busy} run={doing} />}
          <Acts told={told} />
        </>
      )}
      {!told && <Trouble words={trouble} />}
    </main>
  );
}

function Rename({ name, busy, onRename }: { name: string; busy: boolean; onRename: (name: string) => void }) {
  const [said, setSaid] = useState<string | null>(null);
  if (said === null) return <Button onClick={() => setSaid(name)}>Call it otherwise</Button>;
  return (
    <form
      className="flex gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (said.trim() !== '' && said.trim() !== name) onRename(said.trim());
        setSaid(null);
      }}
    >
      <input
        autoFocus
        aria-label="Name of the household"
        maxLength={120}
        className="rounded-full border border-edge bg-paper px-4 py-1.5"
        value={said}
        onChange={(e) => setSaid(e.target.value)}
        onKeyDown={(e) => e.key === 'Escape' && setSaid(null)}
      />
      <Button type="submit" look="main" disabled={busy}>
        Call it that
      </Button>
    </form>
  );
}
