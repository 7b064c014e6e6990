import { ExternalLink, Printer } from 'lucide-react';
import { useEffect } from 'react';
import { toast } from 'sonner';
import { type Place } from '@heronstone/core/plan';
import { placeLabel } from '@heronstone/core/labels';
import { cancelLabels, sendLabels } from '../../../state/api.ts';
import { usePrinter } from '../../../state/printer.ts';
import { labelsForgotten, labelsOut, labelsSent } from '../../../state/sent-labels.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { printerWords, waitingIn } from './printer-words.ts';

/** One by one on the label printer; what is out counts as stuck on. */
export function LabelPrinter({
  places,
  onPrinted,
}: {
  places: readonly Place[];
  onPrinted: (places: Place[]) => void;
}) {
  const plan = usePlan((s) => s.plan);
  const { status, told } = usePrinter();
  useEffect(() => {
    if (!status) return;
    const done = labelsOut(plan.id, status.jobs).flatMap((id) => plan.places[id] ?? []);
    if (done.length > 0) onPrinted(done);
  }, [status, plan, onPrinted]);
  const send = async () => {
    const jobs = places.map((p) => {
      const label = placeLabel(plan, p);
      const ref = `${p.id.slice(0, 50)}~${Date.now().toString(36)}`;
      return { ref, lines: [label.name || label.contents.join(', ')].map((l) => l.slice(0, 120)), code: label.code };
    });
    const sent = jobs.map(({ ref }, i) => ({ ref, placeId: places[i]!.id }));
    // remembered first: the window may be closed before the printer has answered
    labelsSent(plan.id, sent);
    try {
      told(await sendLabels(jobs));
    } catch (e) {
      labelsForgotten(
        plan.id,
        jobs.map((j) => j.ref),
      );
      toast.error((e as Error).message);
    }
  };
  const waiting = waitingIn(status);
  return (
    <div className="mt-3 border-t border-line pt-2" role="group" aria-label="Label printer">
      <div className="flex flex-wrap items-center gap-2">
        <Button disabled={places.length === 0 || status === null} onClick={() => void send()}>
          <Printer size={15} aria-hidden /> On the label printer
        </Button>
        {waiting > 0 && (
          <Button look="quiet" onClick={() => void cancelLabels(null).then(told, (e: Error) => toast.error(e.message))}>
            Take back what waits
          </Button>
        )}
        <Button look="quiet" onClick={() => window.open('/printer', 'heronstone-printer', 'width=640,height=720')}>
          <ExternalLink size={15} aria-hidden /> Show the printer
        </Button>
      </div>
      <p role="status" className={`text-[14px] ${status?.trouble ? 'text-clash' : 'text-soft'}`}>
        {printerWords(status)}
      </p>
    </div>
  );
}
