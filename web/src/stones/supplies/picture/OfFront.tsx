import { X } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { CATALOGUE, sizesByGaps, UNIT_KINDS, type UnitKind } from '@heronstone/core/catalogue';
import { formatLength } from '@heronstone/core/lengths';
import { lengthBetween } from '@heronstone/core/picture';
import { asOne, blankUnit, type Command, middleOfRoom, newId, type Unit } from '@heronstone/core/plan';
import { freeSpotFor } from '@heronstone/core/room';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { LengthField, SelectField, TextField } from '../../../ui/fields/index.ts';
import { FlatPane } from './FlatPane.tsx';
import { doubtOf, frontMeasured } from './front-measured.ts';
import { keptPicture } from './keep.ts';
import { type OfProps } from './OfPlace.tsx';

type Gaps = { columns: number[]; rows: number[] };
/** A gap is looked for so far from where it was pressed, mm. */
const REACH = 14;
/** Kinds whose fronts are rows and columns, to bring in one that is not in the plan. */
const KINDS = UNIT_KINDS.filter((k) => CATALOGUE[k].places && CATALOGUE[k].mount === 'floor' && k !== 'cornerCabinet');

/** A front laid flat: its gaps are pressed, and rows and columns stand as measured. */
export function OfFront({ plan, of, picture, laid, held, marking }: OfProps) {
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const [between, setBetween] = useState<'columns' | 'rows'>('rows');
  const [gaps, setGaps] = useState<Gaps>({ columns: [], rows: [] });
  const [fresh, setFresh] = useState<{ kind: UnitKind; name: string; depth: number | null }>({
    ...{ kind: 'lowChest', name: '', depth: null },
  });
  const unit = plan.units[of.id ?? ''] ?? null;
  if (!laid || !held || !marking)
    return <p className="text-soft">Pull the corners to those of the front: it is then laid flat here.</p>;
  const { measure } = plan.head;
  // until somebody says how deep it is it is as deep as its kind usually is
  const depth = unit?.depth ?? fresh.depth ?? blankUnit('', fresh.kind, measure).depth;
  const { frame } = laid;
  const corners = marking.frame ?? marking.corners;
  const [wide, tall] = [
    lengthBetween(laid.plane, corners[0]!, corners[1]!),
    lengthBetween(laid.plane, corners[0]!, corners[3]!),
  ];
  const size = { width: Math.round(frame.width), height: Math.round(frame.height) };
  const kind = unit?.kind ?? fresh.kind;
  // a unit known by itself keeps its size; otherwise the picture says it
  const shape = {
    ...(marking.frame || !unit ? size : { width: unit.width, height: unit.height }),
    depth,
    rows: gaps.rows.length + 1,
    columns: gaps.columns.length + 1,
  };
  const found = sizesByGaps(kind, shape, gaps);
  const press = async (p: { x: number; y: number }) => {
    const where = between === 'columns' ? p.x : p.y;
    const at = await picture.ask((api) => api.gap(between, where, REACH));
    setGaps((g) => ({ ...g, [between]: [...g[between], Math.round(at * 10) / 10].sort((a, b) => a - b) }));
  };
  const set = (which: keyof Gaps, i: number, mm: number | null) =>
    setGaps((g) => ({
      ...g,
      [which]: (mm === null ? g[which].filter((_, k) => k !== i) : g[which].map((v, k) => (k === i ? mm : v))).sort(
        (a, b) => a - b,
      ),
    }));
  const stand = async () => {
    if (!found) return;
    const seen = marking.frame || !unit ? { plusMinus: doubtOf(wide, tall) } : null;
    const front = frontMeasured(shape, found, seen);
    const id = unit?.id ?? newId('unit');
    const commands: Command[] = [];
    if (unit) commands.push({ type: 'setUnit', id, set: front });
    else {
      const name = fresh.name.trim() || CATALOGUE[fresh.kind].name;
      const usual: Unit['usual'] = fresh.depth === null ? ['depth'] : [];
      const made = { ...blankUnit(id, fresh.kind, measure), ...front, name, depth, usual, ...middleOfRoom(plan) };
      const { x, y, facing, bottom, hostId } = freeSpotFor(plan, made);
      commands.push({ type: 'placeUnit', unit: { ...made, x, y, facing, bottom, hostId } });
    }
    const kept = await keptPicture({ what: 'front', id }, held, marking, laid, []);
    if (kept) commands.push(kept);
    const name = unit?.name ?? (fresh.name || CATALOGUE[fresh.kind].name);
    if (!dispatch(asOne(`measure the front of ${name}`, commands))) return;
    toast(`${name} stands as measured: ${shape.columns} by ${shape.rows}.`);
    if (!unit) select({ unit: id });
  };
  return (
    <section aria-label="Laid flat" className="min-w-0 space-y-2">
      <div role="group" aria-label="Press the gaps between" className="flex flex-wrap items-center gap-1">
        {(['rows', 'columns'] as const).map((b) => (
          <Button
            key={b}
            aria-pressed={between === b}
            look={between === b ? 'main' : 'plain'}
            onClick={() => setBetween(b)}
          >
            Gaps between {b}
          </Button>
        ))}
        <span className="text-[13px] text-soft">Press each gap once; the dark line pulls.</span>
      </div>
      <FlatPane
        image={laid.image}
        frame={frame}
        measure={measure}
        tool={null}
        shapes={[]}
        chosen={null}
        words={() => ''}
        label="The front, laid flat"
        onDraw={() => undefined}
        onChoose={() => undefined}
        onKey={() => undefined}
        onPress={(p) => void press(p)}
      >
        {(px) => (
          <g stroke="var(--heron)" strokeWidth={2 * px} pointerEvents="none">
            {gaps.columns.map((x, i) => (
              <line key={`c${i}`} data-gap="columns" x1={x} x2={x} y1={0} y2={frame.height} />
            ))}
            {gaps.rows.map((y, i) => (
              <line key={`r${i}`} data-gap="rows" x1={0} x2={frame.width} y1={y} y2={y} />
            ))}
          </g>
        )}
      </FlatPane>
      {wide && tall && (
        <p className="text-[14px] text-soft">
          {marking.frame || !unit
            ? `By this picture ${formatLength(wide.length, measure)} ± ${formatLength(wide.plusMinus, measure)} wide, ${formatLength(tall.length, measure)} ± ${formatLength(tall.plusMinus, measure)} tall.`
            : `As in the plan: ${formatLength(unit.width, measure)} wide, ${formatLength(unit.height, measure)} tall.`}
        </p>
      )}
      {(['rows', 'columns'] as const).map((which) => (
        <div key={which} className="flex flex-wrap items-end gap-2">
          <span className="w-20 pb-1.5 font-semibold">{which === 'rows' ? 'Rows' : 'Columns'}</span>
          {gaps[which].map((mm, i) => (
            <span key={i} className="flex items-end">
              <LengthField
                label={`gap ${i + 1} at`}
                positive
                mm={mm}
                onCommit={(to) => to !== null && set(which, i, to)}
              />
              <Button
                look="quiet"
                className="!px-1"
                aria-label={`No gap ${i + 1} between ${which}`}
                onClick={() => set(which, i, null)}
              >
                <X size={15} aria-hidden />
              </Button>
            </span>
          ))}
          <Button
            look="quiet"
            onClick={() => {
              const total = which === 'rows' ? frame.height : frame.width;
              setGaps((g) => ({
                ...g,
                [which]: [...g[which], Math.round((total * (g[which].length + 1)) / (g[which].length + 2))].sort(
                  (a, b) => a - b,
                ),
              }));
            }}
          >
            Add a gap
          </Button>
        </div>
      ))}
      {!unit && (
        <div className="flex flex-wrap items-end gap-2">
          <SelectField
            label="what it is"
            value={fresh.kind}
            options={KINDS.map((k) => [k, CATALOGUE[k].name] as const)}
            onCommit={(k) => setFresh({ ...fresh, kind: k })}
          />
          <TextField label="its name" value={fresh.name} onCommit={(name) => setFresh({ ...fresh, name })} />
          <LengthField
            label="its depth"
            positive
            mm={depth}
            onCommit={(mm) => mm !== null && setFresh({ ...fresh, depth: mm })}
          />
        </div>
      )}
      {found ? (
        <p className="text-[14px]">
          Inside heights from the top {found.rowSizes.map((mm) => formatLength(mm, measure)).join(', ')}; widths from
          the left {found.columnSizes.map((mm) => formatLength(mm, measure)).join(', ')}.
        </p>
      ) : (
        <p role="alert" className="text-clash">
          Two gaps lie nearer to each other, or to an edge, than a board with anything between.
        </p>
      )}
      <Button look="main" disabled={!found} onClick={() => void stand()}>
        {unit ? 'It stands so' : 'Bring it in'}: {shape.columns} by {shape.rows}
      </Button>
    </section>
  );
}
