import { ExternalLink, FileDown, Printer, X } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { placeSaid } from '@heronstone/core/concepts';
import {
  asOne,
  homesIn,
  isShut,
  LABEL_SHOWS,
  LABEL_SIDES,
  type Label,
  type LabelShows,
  type Place,
  type Plan,
} from '@heronstone/core/plan';
import {
  LABEL_STOCKS,
  labelRun,
  placeLabel,
  rowLabel,
  supplyLabel,
  stockTrouble,
  type LabelStock,
  type LabelText,
} from '@heronstone/core/labels';
import { cancelLabels, sendLabels } from '../../state/api.ts';
import { jot } from '../../state/jot.ts';
import { fetchPhotos, PHOTOS_AWAY } from '../../state/photos.ts';
import { useAccess } from '../../state/access.ts';
import { TROUBLE, usePrinter } from '../../state/printer.ts';
import { labelsForgotten, labelsOut, labelsSent } from '../../state/sent-labels.ts';
import { shippedFaces } from '../../parts/faces.ts';
import { fetched } from '../../parts/fetched.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { CheckField, LengthField, NumberField, SelectField, TextField } from '../../ui/fields.tsx';
import { PhotoField } from '../../ui/photo-field.tsx';
import { savePrint } from '../../ui/save-print.ts';
import { countWords, today, yearWords } from '../../ui/words.ts';
import { Dots } from './Dots.tsx';
import { LabelPicture } from './LabelPicture.tsx';

const STATE: Record<Label, string> = {
  none: 'nothing',
  trial: 'a note on trial',
  permanent: 'a label for good',
  inside: 'a label inside the door',
  learnt: 'learnt: nothing any more',
};
const SHOWS: Record<LabelShows, string> = {
  ...{
    name: 'name',
    contents: 'what lies there',
    picture: 'picture',
    swatch: 'colours',
    dots: 'dots',
    code: 'code to scan',
  },
};

/** Labels: the run past all shut places that say nothing, what labelling saves, how each looks, sheets to print and the label printer. */
export default function Labels() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const run = useMemo(() => labelRun(plan), [plan]);
  const among = new Map(run.stops.map((s) => [s.place.id, s]));
  const places = useMemo(() => labelled(plan), [plan]);
  const chosen = plan.places[get('place') ?? ''] ?? run.stops[0]?.place ?? places[0];
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [rows, setRows] = useState<ReadonlySet<string>>(new Set());
  const toggle = (set: ReadonlySet<string>, id: string) => {
    const next = new Set(set);
    if (!next.delete(id)) next.add(id);
    return next;
  };
  const labels: LabelText[] = [
    ...places.filter((p) => picked.has(p.id)).map((p) => placeLabel(plan, p)),
    ...[...rows].flatMap((id) => rowLabel(plan, id) ?? []),
    ...[...rows].flatMap((id) => (plan.supplies[id] ? supplyLabel(plan, plan.supplies[id]) : [])),
  ];
  if (places.length === 0)
    return <p className="py-4">There is nothing to label yet: it takes places, and containers in them.</p>;
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_27rem]">
      <section aria-label="Label run">
        <div className="flex flex-wrap items-end gap-3 py-1">
          <SelectField
            className="w-52"
            label="who looks for things here goes by"
            value={plan.head.labels}
            options={[
              ['outside', 'labels outside'],
              ['inside', 'labels inside the doors'],
              ['memory', 'memory: none'],
            ]}
            onCommit={(labels) => dispatch({ type: 'setPlan', set: { labels } })}
          />
          <p className="max-w-md text-[14px]">
            {plan.head.labels === 'memory' ? (
              <span className="text-soft">By memory nothing is looked for; labels are only to be printed.</span>
            ) : run.stops.length === 0 ? (
              'Every shut place with something in it says what it is, or is known by heart.'
            ) : (
              <>
                {countWords(run.stops.length, 'shut place says', 'shut places say')} nothing. Labelling{' '}
                {run.stops.length === 1 ? 'it' : 'them'} saves{' '}
                <strong className="text-heron">{yearWords(run.saves)}</strong> of looking in wrong ones.
              </>
            )}
          </p>
        </div>
        <div className="flex flex-wrap gap-1.5 py-1">
          {run.stops.length > 0 && (
            <Button onClick={() => setPicked(new Set(run.stops.map((s) => s.place.id)))}>
              Pick these {run.stops.length}
            </Button>
          )}
          {picked.size > 0 && (
            <Button look="quiet" onClick={() => setPicked(new Set())}>
              <X size={15} aria-hidden /> Pick none
            </Button>
          )}
        </div>
        <ul className="max-h-[52vh] overflow-auto border-y border-line" tabIndex={0} aria-label="Places to label">
          {[...run.stops.map((s) => s.place), ...places.filter((p) => !among.has(p.id))].map((p) => (
            <li
              key={p.id}
              className={`flex items-center gap-2 border-b border-line px-1 ${p.id === chosen?.id ? 'bg-stone' : ''}`}
            >
              <label className="grid min-w-6 shrink-0 place-items-center">
                <input
                  type="checkbox"
                  className="size-4 shrink-0 accent-heron"
                  aria-label={`Print for ${placeSaid(plan, p)}`}
                  checked={picked.has(p.id)}
                  onChange={() => setPicked(toggle(picked, p.id))}
                />
              </label>
              <button
                type="button"
                className="flex min-h-8 grow items-baseline gap-2 text-left"
                onClick={() => select({ place: p.id })}
              >
                <span className="grow">{placeSaid(plan, p)}</span>
                {(among.get(p.id)?.saves ?? 0) >= 1 && (
                  <span className="text-[13px] text-heron">saves {yearWords(among.get(p.id)!.saves)}</span>
                )}
                <span className="shrink-0 text-[13px] text-soft">{STATE[p.label]}</span>
              </button>
            </li>
          ))}
        </ul>
        <Rows plan={plan} picked={rows} onPick={(id) => setRows(toggle(rows, id))} />
        <Dots onPrint={(id) => setRows(toggle(rows, id))} picked={rows} />
      </section>
      <div className="space-y-4">
        {chosen && <OneLabel key={chosen.id} place={chosen} />}
        <Printing labels={labels} places={places.filter((p) => picked.has(p.id))} />
      </div>
    </div>
  );
}

/** Places that could carry a label: shut ones, containers, and whatever carries one. */
function labelled(plan: Plan): Place[] {
  return Object.values(plan.places)
    .filter((p) => isShut(p) || p.organiserId !== null || p.label !== 'none' || homesIn(plan, p.id).length > 0)
    .map((p) => [placeSaid(plan, p), p] as const)
    .sort((a, b) => a[0].localeCompare(b[0], 'en', { numeric: true }))
    .map(([, p]) => p);
}

function OneLabel({ place }: { place: Place }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Omit<Place, 'id'>>) =>
    dispatch({ type: 'setPlace', id: place.id, set: part } as Parameters<typeof dispatch>[0]);
  const has = (list: readonly string[], what: string) => list.includes(what);
  const swap = <T extends string>(list: readonly T[], what: T, all: readonly T[]) =>
    all.filter((x) => (x === what ? !list.includes(x) : list.includes(x)));
  const label = placeLabel(plan, place);
  return (
    <section aria-label={`Label of ${placeSaid(plan, place)}`} className="rounded-2xl bg-paper p-3">
      <h2 className="font-semibold">{placeSaid(plan, place)}</h2>
      <LabelPicture label={label} width={70} height={37} className="mt-1 w-72 max-w-full" />
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <SelectField
          className="w-48"
          label="there is"
          value={place.label}
          options={(Object.keys(STATE) as Label[]).map((l) => [l, STATE[l]] as const)}
          onCommit={(to) => {
            if (set({ label: to, labelSince: to === 'none' ? null : today() }) && to !== 'none')
              jot({ what: 'labelled', placeId: place.id, words: STATE[to].replace(/:.*/, '') });
          }}
        />
        <TextField
          className="w-40"
          label="words on it"
          placeholder={label.name}
          value={place.labelWords}
          onCommit={(labelWords) => set({ labelWords: labelWords.slice(0, 120) })}
        />
      </div>
      <fieldset className="mt-1">
        <legend className="text-[13px] text-soft">it shows</legend>
        <div className="flex flex-wrap gap-x-4">
          {LABEL_SHOWS.map((what) => (
            <CheckField
              key={what}
              label={SHOWS[what]}
              checked={has(place.labelShows, what)}
              onCommit={() => set({ labelShows: swap(place.labelShows, what, LABEL_SHOWS) })}
            />
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="text-[13px] text-soft">on these sides (one label each)</legend>
        <div className="flex flex-wrap gap-x-4">
          {LABEL_SIDES.map((side) => (
            <CheckField
              key={side}
              label={side}
              checked={has(place.labelSides, side)}
              onCommit={() => set({ labelSides: swap(place.labelSides, side, LABEL_SIDES) })}
            />
          ))}
        </div>
      </fieldset>
      <div className="mt-1">
        <PhotoField of={placeSaid(plan, place)} photo={place.photo} onCommit={(photo) => set({ photo })} />
      </div>
    </section>
  );
}

/** Rows of slots have a label of their own. */
function Rows({ plan, picked, onPick }: { plan: Plan; picked: ReadonlySet<string>; onPick: (id: string) => void }) {
  const rows = Object.values(plan.colourRows);
  if (rows.length === 0) return null;
  return (
    <fieldset className="mt-3">
      <legend className="font-display text-lg font-semibold">Rows</legend>
      <div className="flex flex-wrap gap-x-5">
        {rows.map((row) => (
          <CheckField key={row.id} label={row.name} checked={picked.has(row.id)} onCommit={() => onPick(row.id)} />
        ))}
      </div>
    </fieldset>
  );
}

const OWN = 'own';

/** What is picked, as a sheet or one by one on the label printer. */
function Printing({ labels, places }: { labels: readonly LabelText[]; places: readonly Place[] }) {
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

/** One by one on the label printer; what is out counts as stuck on. */
function LabelPrinter({ places, onPrinted }: { places: readonly Place[]; onPrinted: (places: Place[]) => void }) {
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
  const waiting = status?.jobs.filter((j) => j.state === 'waiting' || j.state === 'printing') ?? [];
  return (
    <div className="mt-3 border-t border-line pt-2" role="group" aria-label="Label printer">
      <div className="flex flex-wrap items-center gap-2">
        <Button disabled={places.length === 0 || status === null} onClick={() => void send()}>
          <Printer size={15} aria-hidden /> On the label printer
        </Button>
        {waiting.length > 0 && (
          <Button look="quiet" onClick={() => void cancelLabels(null).then(told, (e: Error) => toast.error(e.message))}>
            Take back what waits
          </Button>
        )}
        <Button look="quiet" onClick={() => window.open('/printer', 'heronstone-printer', 'width=640,height=720')}>
          <ExternalLink size={15} aria-hidden /> Show the printer
        </Button>
      </div>
      <p role="status" className={`text-[14px] ${status?.trouble ? 'text-clash' : 'text-soft'}`}>
        {status === null
          ? 'The printer does not answer.'
          : status.trouble
            ? `${TROUBLE[status.trouble]}${waiting.length > 0 ? ` ${countWords(waiting.length, 'label waits', 'labels wait')}.` : ''}`
            : waiting.length > 0
              ? `It prints; ${countWords(waiting.length, 'label', 'labels')} to go.`
              : 'A stand-in for a real one, ready. What is out counts as stuck on for good.'}
      </p>
    </div>
  );
}
