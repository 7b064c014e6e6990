import { type Best, type FloorMap } from '@heronstone/core/stations';
import { Button } from './button.tsx';
import { yearWords } from './words.ts';

/** The best spots of a map, each with a button that takes it. */
export function BestSpots<B extends Best>({
  map,
  saying = (b) => `${yearWords(b.seconds)}, ${b.words}`,
  none = 'No free spot was found that makes nothing worse.',
  onTake,
  onClose,
}: {
  map: Pick<FloorMap, 'now'> & { best: B[] };
  /** what is said of a spot */
  saying?: (best: B) => string;
  /** what is said where there is none */
  none?: string;
  onTake: (best: B) => void;
  onClose: () => void;
}) {
  return (
    <div role="group" aria-label="Best spots" className="flex flex-wrap items-center gap-2 text-[14px]">
      <span className="text-soft">now {map.now === null ? 'not known' : yearWords(map.now)}</span>
      {map.best.map((b, i) => (
        <Button key={`${b.x} ${b.y} ${b.heading}`} onClick={() => onTake(b)}>
          <strong>{i + 1}</strong> {saying(b)}
        </Button>
      ))}
      {map.best.length === 0 && <span>{none}</span>}
      <Button look="quiet" onClick={onClose}>
        Put the map away
      </Button>
    </div>
  );
}
