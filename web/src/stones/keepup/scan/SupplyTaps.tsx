import { toast } from 'sonner';
import { type Supply } from '@heronstone/core/plan';
import { jot } from '../../../state/jot.ts';
import { Button } from '../../../ui/button.tsx';
import { openSpare, usedUp } from '../taps.ts';

export function SupplyScanned({ supply }: { supply: Supply }) {
  return (
    <section aria-label={supply.name}>
      <SupplyTaps supply={supply} placeId={null} />
    </section>
  );
}

export function SupplyTaps({ supply, placeId }: { supply: Supply; placeId: string | null }) {
  return (
    <>
      <p>
        <strong className="font-semibold">{supply.name}</strong>{' '}
        <span className="text-soft">
          {supply.working} at hand{supply.backstock > 0 && `, ${supply.backstock} in reserve`}
        </span>
      </p>
      <div className="mt-1 flex flex-wrap gap-1.5">
        <Button
          aria-label={`Took one: ${supply.name}`}
          onClick={() =>
            jot({ what: 'fetched', supplyId: supply.id, placeId, count: 1 }) && toast(`Took ${supply.name}.`)
          }
        >
          Took one
        </Button>
        <Button
          aria-label={`Used one up: ${supply.name}`}
          onClick={() => usedUp(supply, { placeId }) && toast(`${supply.name}: one less.`)}
        >
          Used one up
        </Button>
        {supply.backstock > 0 && (
          <Button aria-label={`Opened the spare: ${supply.name}`} onClick={() => openSpare(supply, { placeId })}>
            Opened the spare
          </Button>
        )}
      </div>
    </>
  );
}
