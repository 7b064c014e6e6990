import { FileDown } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { asOne, type Label, type Place } from '@heronstone/core/plan';
import { LABEL_STOCKS, stockTrouble, type LabelStock, type LabelText } from '@heronstone/core/labels';
import { jot } from '../../../state/jot.ts';
import { fetchPhotos, PHOTOS_AWAY } from '../../../state/photos.ts';
import { useAccess } from '../../../state/access.ts';
import { shippedFaces } from '../../../parts/faces.ts';
import { fetched } from '../../../parts/fetched.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { LengthField, NumberField, SelectField } from '../../../ui/fields/index.ts';
import { savePrint } from '../../../ui/save-print.ts';
import { countWords, today } from '../../../ui/words.ts';
import { STATE } from './label-words.ts';
import { LabelPrinter } from './LabelPrinter.tsx';

const OWN = 'own';

/** What is picked, as a sheet or one by one on the label printer. */
export function Printing({ labels, places }: { labels: readonly LabelText[]; places: readonly Place[] }) {
  const plan = usePlan((s) => s.plan);
  const { measure } = plan.head;
  const dispatch = usePlan((s) => s.dispatch);
  // a guild's server stands where nobody labels anything
  const besideServer = useAccess((s) => !s.told?.guild);
  const [stockId, setStock] = useState(measure === 'metric' ? 'a4-plain' : 'letter-plain');
  const [own, setOwn] = useState<LabelStock>({ ...LABEL_STOCKS[0]!, id: OWN, words: 'a sheet of my own' });
  const [skip, setSkip] = useState(0);
  const stock = stockId === OWN ? own : LABEL_STOCKS.find((s) => s.id === stockId)!;
  const trouble = stockTrouble(stock);
  const sheets = labels.reduce((sum, l) => sum + l.copies, 0);
  const plain = stock.id.endsWith('plain');
  const save = async () => {
    try {
      const { labelsPdf } = await fetched(() => import('@heronstone/core/labels'));
      const { photos, away } = await fetchPhotos(labels.flatMap((l) => l.photo ?? []));
      if (away) toast(PHOTOS_AWAY);
      // on plain paper it is a note on trial: it says since when
      const dated = labels.map((l) => (plain && plan.places[l.id]?.label === 'none' ? { ...l, since: today() } : l));
      savePrint('labels.pdf', await labelsPdf(dated, stock, await shippedFaces(), { skip, lines: plain, photos }));
      toast('Print it at 100 %, without “fit to page”.');
    } catch (e) {
      toast.error(`The labels could not be laid out: ${(e as Error).message}`);
    }
  };
  const stick = (label: Label, list: readonly Place[]) => {
    const done = dispatch(
      asOne(
        'stick on labels',
        list.map((p) => ({ type: 'setPlace', id: p.id, set: { label, labelSince: today() } })),
      ),
    );
    if (done) jot(...list.map((p) => ({ what: 'labelled' as const, placeId: p.id, words: STATE[label] })));
  };
  const edit = (part: Partial<LabelStock>) => setOwn({ ...own, ...part });
  return (
    <section aria-label="Printing">
      <h2 className="font-display text-lg font-semibold">Print {countWords(sheets, 'label', 'labels')}</h2>
      <div className="flex flex-wrap items-end gap-2">
        <SelectField
          className="w-full"
          label="sheet"
          value={stockId}
          options={[...LABEL_STOCKS.map((s) => [s.id, s.words] as const), [OWN, 'a sheet of my own, by its measures']]}
          onCommit={setStock}
        />
        {stockId === OWN && (
          <div className="grid grid-cols-3 gap-2">
            <SelectField
              label="paper"
              value={own.paper}
              options={[
                ['a4', 'A4'],
                ['letter', 'Letter'],
              ]}
              onCommit={(paper) => edit({ paper })}
            />
            <NumberField
              label="across"
              whole
              min={1}
              max={20}
              value={own.columns}
              onCommit={(columns) => edit({ columns })}
            />
            <NumberField label="down" whole min={1} max={40} value={own.rows} onCommit={(rows) => edit({ rows })} />
            {(
              [
                ['width', 'width of one'],
                ['height', 'height of one'],
                ['left', 'from the left edge'],
                ['top', 'from the upper edge'],
                ['across', 'to the next across'],
                ['down', 'to the next down'],
              ] as const
            ).map(([key, words]) => (
              <LengthField
                key={key}
                label={words}
                mm={own[key]}
                onCommit={(mm) => mm !== null && edit({ [key]: mm })}
              />
            ))}
          </div>
        )}
        <NumberField
          className="w-32"
          label="used up already"
          whole
          max={stock.columns * stock.rows - 1}
          value={skip}
          onCommit={setSkip}
        />
        <Button look="main" disabled={labels.length === 0 || trouble !== null} onClick={() => void save()}>
          <FileDown size={15} aria-hidden /> Sheets as PDF
        </Button>
      </div>
      {trouble && <p className="text-clash">{trouble}</p>}
      {places.length > 0 && (
        <p className="mt-1 flex flex-wrap items-center gap-1.5 text-[14px]">
          Once they are on:
          <Button onClick={() => stick('trial', places)}>notes on trial</Button>
          <Button onClick={() => stick('permanent', places)}>for good</Button>
          <Button onClick={() => stick('inside', places)}>inside the doors</Button>
        </p>
      )}
      {besideServer && <LabelPrinter places={places} onPrinted={(list) => stick('permanent', list)} />}
    </section>
  );
}
