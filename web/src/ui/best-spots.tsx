import { type Best, type FloorMap } from '@heronstone/core/stations';
import { Button } from './button.tsx';
import { yearWords } from './words.ts';

/** The best spots of a map, each with a button that takes it. */
export function BestSpots({
  map,
  onTake,
  onClose,
}: {
  map: FloorMap;
  onTake: (best: Best) => void;
  onClose: () => void;
}) {
  return (
    <div role="group" aria-label="Best spots" className="flex flex-wrap items-center gap-2 text-[14px]">
      <span className="text-soft">now {map.now === null ? 'not known' : yearWords(map.now)}</span>
      {map.best.map((b, i) => (
        <Button key={`${b.x} ${b.y}`} onClick={() => onTake(b)}>
          <strong>{i + 1}</strong> {yearWords(b.seconds)}, {b.words}
        </Button>
      ))}
      {map.best.length === 0 && <span>No free spot was found that makes nothing worse.</span>}
      <Button look="quiet" onClick={onClose}>
        Put the map away
      </Button>
    </div>
  );
}
