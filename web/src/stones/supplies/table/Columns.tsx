import { MEANINGS, type Meaning } from '@heronstone/core/formats';
import { countWords } from '../../../ui/words.ts';
import { type TableInHand, SHOWN } from './table-in-hand.ts';

const MEANING_WORDS: Record<Meaning, string> = {
  name: 'what it is called',
  family: 'its family',
  size: 'its whole size',
  width: 'its width',
  depth: 'its depth or length',
  height: 'its height or thickness',
  mass: 'its weight',
  grammage: 'its paper weight',
  working: 'how many',
  backstock: 'how many in reserve',
  packs: 'how many packs',
  packOf: 'how many in a pack',
  reorderAt: 'buy below so many',
  colour: 'its colour',
  maker: 'who makes it',
  line: 'the line it is of',
  theme: 'its theme',
  uses: 'what it is used for',
  home: 'where it lives',
  note: 'a note',
  '': 'kept in the note',
};

/** What each column was taken for, over its first cells; corrected from a list. */
export function Columns({ list, onChange }: { list: TableInHand; onChange: (meanings: Meaning[]) => void }) {
  const { table, meanings, reading } = list;
  return (
    <div className="mt-2 overflow-x-auto rounded-xl border border-line" role="region" aria-label="Columns" tabIndex={0}>
      <table className="w-full border-collapse text-[14px]">
        <thead>
          <tr>
            {table.headings.map((h, i) => (
              <th key={h} className="border-b border-line bg-stone px-2 py-1 text-left align-top font-semibold">
                {h}
                <select
                  aria-label={`${h} is`}
                  className="mt-1 block w-full min-w-36 rounded-md border border-edge bg-paper px-1 py-0.5 font-normal"
                  value={meanings[i]}
                  onChange={(e) => {
                    const to = e.target.value as Meaning;
                    // a meaning that only one column can have leaves the other
                    onChange(meanings.map((m, k) => (k === i ? to : m === to && to !== 'note' && to !== '' ? '' : m)));
                  }}
                >
                  {MEANINGS.map((m) => (
                    <option key={m} value={m}>
                      {MEANING_WORDS[m]}
                    </option>
                  ))}
                </select>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.slice(0, SHOWN).map((row, r) => (
            <tr key={r}>
              {row.map((c, i) => (
                <td key={i} className="max-w-60 truncate border-b border-line px-2 py-0.5">
                  {c}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="px-2 py-1 text-[14px] text-soft">
        {countWords(table.rows.length, 'row', 'rows')}; bare numbers are{' '}
        {reading.measure === 'imperial' ? 'inches and ounces' : 'centimetres and grams'}.
      </p>
    </div>
  );
}
