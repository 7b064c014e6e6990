import { type Station } from '@heronstone/core/plan';

/** The stations, one of which the room is seen from. */
export function SeenFrom({
  stations,
  chosen,
  onChoose,
}: {
  stations: readonly Station[];
  chosen: string | undefined;
  onChoose: (id: string) => void;
}) {
  return (
    <div role="group" aria-label="Seen from" className="flex flex-wrap items-center gap-1">
      <span className="text-soft">from</span>
      {stations.map((s) => (
        <button
          key={s.id}
          type="button"
          aria-pressed={s.id === chosen}
          onClick={() => onChoose(s.id)}
          className={`rounded-full border px-2.5 py-0.5 ${s.id === chosen ? 'border-ink bg-ink text-ground' : 'border-line bg-paper hover:border-heron'}`}
        >
          {s.name}
        </button>
      ))}
    </div>
  );
}
