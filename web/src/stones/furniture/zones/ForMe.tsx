import { wrap } from 'comlink';
import { useState } from 'react';
import { toast } from 'sonner';
import { type Plan } from '@heronstone/core/plan';
import { Button } from '../../../ui/button.tsx';
import { today } from '../../../ui/words.ts';
import { type ZonesFound, type ZonesWorker } from '../../../workers/zones.worker.ts';
import { orFail } from '../../../workers/or-fail.ts';
import { costWords } from './zone-words.ts';

/** Which unit each zone should have, worked out off the screen, with what keeping zones costs. */
export function ForMe({ plan, onFound }: { plan: Plan; onFound: (found: ZonesFound) => void }) {
  const [busy, setBusy] = useState(false);
  const find = async () => {
    setBusy(true);
    const raw = new Worker(new URL('../../../workers/zones.worker.ts', import.meta.url), { type: 'module' });
    try {
      const found = await orFail(raw, wrap<ZonesWorker>(raw).propose(plan, today()));
      if (found.command) onFound(found);
      else
        toast(
          `The units stay kept as they are: other zones would save less than ten minutes a year. ${costWords(found)}`,
        );
    } catch (e) {
      toast.error((e as Error).message);
    } finally {
      raw.terminate();
      setBusy(false);
    }
  };
  return (
    <Button look="main" disabled={busy} onClick={() => void find()}>
      {busy ? 'Looking …' : 'Zones for me'}
    </Button>
  );
}
