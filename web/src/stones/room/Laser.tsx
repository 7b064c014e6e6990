import { Crosshair } from 'lucide-react';
import { useState } from 'react';
import { sendReading } from '../../state/laser.ts';
import { formatLength } from '@heronstone/core/lengths';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { LengthField } from '../../ui/fields/index.ts';

/** A stand-in for a laser measure: its reading goes into the length that was last in focus. */
export function Laser() {
  const measure = usePlan((s) => s.plan.head.measure);
  const [distance, setDistance] = useState(3000);
  const [said, setSaid] = useState<string | null>(null);
  const shoot = async () => {
    try {
      const { mm, into } = await sendReading(distance);
      setSaid(
        into
          ? `It shows ${formatLength(mm, measure)}, typed into “${into}”; Enter takes it.`
          : `It shows ${formatLength(mm, measure)}. Put the cursor into a length first, and the reading goes there.`,
      );
    } catch (e) {
      setSaid((e as Error).message);
    }
  };
  return (
    <section aria-label="Laser measure" className="rounded-xl bg-stone/60 p-2">
      <div className="flex items-end gap-2">
        <LengthField
          className="w-56"
          label="Pretend laser, pointed at a wall so far away"
          mm={distance}
          onCommit={(mm) => {
            if (mm === null || mm < 50 || mm > 30_000) return false;
            setDistance(mm);
          }}
        />
        <Button onClick={() => void shoot()}>
          <Crosshair size={16} aria-hidden /> Read
        </Button>
      </div>
      <p role="status" className="text-[13px] text-soft">
        {said ?? 'A stand-in for a real one, with its small errors, up or down.'}
      </p>
    </section>
  );
}
