import { BookmarkPlus, Camera, RotateCw } from 'lucide-react';
import { Link } from 'react-router';
import { type InsertKind, readInsert, writeInsert } from '@heronstone/core/catalogue';
import { newId, type Place, type Unit, unitShape } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { LengthsField, NumberField, SelectField } from '../../ui/fields/index.ts';

const INSERTS: readonly (readonly [InsertKind | 'none', string])[] = [
  ['none', 'nothing'],
  ['door', 'a door'],
  ['drawers', 'drawers'],
  ['slots', 'paper slots'],
  ['shelves', 'shelves'],
];

/** How a front is split: rows and columns, exact sizes, inserts in single cells; and kept as a kind of one's own. */
export function FrontEditor({ unit, place }: { unit: Unit; place: Place | undefined }) {
  const dispatch = usePlan((s) => s.dispatch);
  const ownKinds = usePlan((s) => s.plan.ownKinds);
  const planId = usePlan((s) => s.plan.id);
  const measure = usePlan((s) => s.plan.head.measure);
  const set = (part: Partial<Unit>) => dispatch({ type: 'setUnit', id: unit.id, set: part });
  const here = place && unit.inserts.map(readInsert).find((i) => i?.row === place.row && i.column === place.column);
  const setInsert = (kind: InsertKind | 'none', count: number) => {
    if (!place) return false;
    const rest = unit.inserts.filter((text) => {
      const i = readInsert(text);
      return i?.row !== place.row || i.column !== place.column;
    });
    const inserts =
      kind === 'none' ? rest : [...rest, writeInsert({ row: place.row, column: place.column, kind, count })];
    return set({ inserts });
  };
  const own = Object.values(ownKinds).find((k) => k.name === unit.name);
  const onSide = () =>
    set({
      width: unit.height,
      height: unit.width,
      rows: unit.columns,
      columns: unit.rows,
      rowSizes: unit.columnSizes,
      columnSizes: unit.rowSizes,
      inserts: [],
      ...turnedSides(unit),
    });
  const keep = () =>
    dispatch({
      type: 'addOwnKind',
      ownKind: { id: newId('kind'), name: unit.name, kind: unit.kind, ...(unitShape(unit) as OwnShape) },
    });
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
      <NumberField
        label="rows"
        whole
        min={1}
        max={40}
        value={unit.rows}
        onCommit={(rows) => set({ rows, rowSizes: [] })}
      />
      <NumberField
        label="columns"
        whole
        min={1}
        max={40}
        value={unit.columns}
        onCommit={(columns) => set({ columns, columnSizes: [] })}
      />
      <LengthsField
        className="col-span-2"
        label="inside heights from the top"
        placeholder={measure === 'metric' ? 'all alike, or 70, 70, 110, 110 mm' : 'all alike, or 3, 3, 4 1/2, 4 1/2 in'}
        mm={unit.rowSizes}
        onCommit={(rowSizes) => set(rowSizes.length ? { rowSizes, rows: rowSizes.length } : { rowSizes })}
      />
      <LengthsField
        className="col-span-2"
        label="inside widths from the left"
        placeholder="all alike"
        mm={unit.columnSizes}
        onCommit={(columnSizes) =>
          set(columnSizes.length ? { columnSizes, columns: columnSizes.length } : { columnSizes })
        }
      />
      <SelectField
        label={place ? `set into row ${place.row + 1}, column ${place.column + 1}` : 'set into the chosen place'}
        value={here?.kind ?? 'none'}
        options={place ? INSERTS : [['none', 'choose a place first']]}
        onCommit={(kind) => void setInsert(kind, kind === 'door' ? 1 : 2)}
      />
      {here && here.kind !== 'door' && (
        <NumberField
          label="how many"
          whole
          min={1}
          max={20}
          value={here.count}
          onCommit={(n) => setInsert(here.kind, n)}
        />
      )}
      <div className="col-span-2 flex flex-wrap items-end gap-2 sm:col-span-4">
        <Button onClick={onSide}>
          <RotateCw size={15} aria-hidden /> Stand it the other way
        </Button>
        <Button onClick={keep}>
          <BookmarkPlus size={15} aria-hidden /> Keep as my own kind
        </Button>
        <Link
          className="inline-flex min-h-8 items-center gap-1 text-heron underline"
          to={`/p/${planId}/supplies?view=picture&unit=${unit.id}`}
        >
          <Camera size={15} aria-hidden /> by picture
        </Link>
        {own && (
          <Button look="quiet" onClick={() => dispatch({ type: 'removeOwnKind', id: own.id })}>
            Forget the kind “{own.name}”
          </Button>
        )}
      </div>
    </div>
  );
}

type OwnShape = Pick<Unit, 'width' | 'depth' | 'height' | 'rows' | 'columns' | 'rowSizes' | 'columnSizes' | 'inserts'>;

/** What is known of its sides once it lies on one: width and height change places. */
function turnedSides({ usual, unsure, pictured }: Unit): Pick<Unit, 'usual' | 'unsure' | 'pictured'> {
  const turned = { width: 'height', height: 'width', depth: 'depth' } as const;
  const of = (list: Unit['usual']) => list.map((side) => turned[side]);
  return { usual: of(usual), unsure: of(unsure), pictured: of(pictured) };
}
