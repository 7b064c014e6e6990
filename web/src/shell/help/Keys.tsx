import { useNextLine } from '../../state/next-line.ts';
import { CheckField } from '../../ui/fields/index.ts';
import { useSingleKeys } from '../../ui/single-keys.ts';

const KEYS: [string, [string, string][]][] = [
  [
    'Everywhere',
    [
      ['/', 'where is it?'],
      ['Ctrl Z · Ctrl Shift Z', 'undo · redo'],
      ['?', 'this page'],
    ],
  ],
  ['Room', [['Enter', 'take the length, on to the next wall; a laser reading goes into the length last in focus']]],
  [
    'Furniture, on a unit of Floor',
    [
      ['Enter', 'choose it'],
      ['arrows', 'move by 1 cm; with Shift by 10 cm'],
      ['R · Shift R', 'turn by 90° · by 15°'],
      ['Delete', 'take it out (undo brings it back)'],
    ],
  ],
  [
    'Lists and fronts',
    [['arrows', 'go from row to row, from place to place; Enter chooses; Tab goes on to its fields']],
  ],
  [
    'Supplies: tour',
    [
      ['Enter', 'take in what is typed; with nothing typed: on to the next place'],
      ['= · 0', 'then Enter: as before · empty; on to the next place'],
      ['1 2 3 · 0', 'answer what is asked · leave it open'],
    ],
  ],
  [
    'Supplies: sort-out',
    [
      ['→ ↑ ← ↓ U', 'keep · away for the season · pass on · throw · undecided'],
      ['Backspace', 'take the last one back'],
    ],
  ],
  [
    'Supplies: list',
    [
      ['arrows · PgUp PgDn', 'from cell to cell'],
      ['typing · Enter', 'change the cell · mend it; Enter again goes down, Escape leaves it'],
      ['Space · Shift arrows · Ctrl A', 'mark a row · many · all'],
      ['Shift Enter', 'the whole story of a thing beside the list'],
    ],
  ],
  [
    'Homes',
    [
      ['[ · ]', 'turn left · right; closer: the next unit on the left · on the right, as do the arrows'],
      ['+ · -', 'step closer to the unit of the chosen place · back to the whole room'],
      ['arrows in Round', 'go from place to place; Enter chooses'],
      ['W · D · M', 'Round tells what is where · how far it is · how much there is and is got'],
      ['Enter on a supply', 'take it in hand; then Enter on a place gives it its home'],
      ['P', 'pin or unpin the supply in hand'],
      ['F', 'find homes'],
    ],
  ],
];

/** What every key does. */
export function Keys() {
  const on = useSingleKeys((s) => s.on);
  const line = useNextLine((s) => s.shown);
  return (
    <>
      <CheckField
        label="Keys of one letter work by themselves (off: for dictation, or against slips)"
        checked={on}
        onCommit={(to) => useSingleKeys.setState({ on: to })}
      />
      <CheckField
        label="A line says the one next thing, until things have homes"
        checked={line}
        onCommit={(shown) => useNextLine.setState({ shown })}
      />
      {KEYS.map(([where, list]) => (
        <section key={where} className="mt-3">
          <h3 className="font-semibold">{where}</h3>
          <dl className="grid grid-cols-[11rem_1fr] gap-x-4">
            {list.map(([key, does]) => (
              <div key={key} className="contents">
                <dt className="text-heron">{key}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </>
  );
}
