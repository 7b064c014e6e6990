import { LengthField, SelectField } from '../../../ui/fields/index.ts';
import { KNOWN } from '@heronstone/core/picture';
import { type KnownChoice, knownSize, type Marking, middling } from './marked.ts';

/** What of known size lies in the picture. */
export function KnownRow({
  marking,
  setMarking,
  itself,
  wantsFrame,
}: {
  marking: Marking;
  setMarking: (m: Marking) => void;
  itself: { width: number; height: number } | null;
  /** what is measured is marked beside what is known */
  wantsFrame: boolean;
}) {
  const options: (readonly [KnownChoice, string])[] = [
    ...(marking.sheet ? [['sheet', `the measuring sheet (${KNOWN[marking.sheet.paper].name}), found`] as const] : []),
    ...(itself ? [['itself', 'itself: its size in the plan'] as const] : []),
    ['a4', 'an A4 sheet'],
    ['letter', 'a Letter sheet'],
    ['card', 'a bank card'],
    ['own', 'something of a size I type'],
  ];
  const choose = (known: KnownChoice) => {
    const found = known === 'sheet' && marking.sheet;
    setMarking({
      ...marking,
      known,
      corners: found ? found.corners : marking.known === 'sheet' ? middling(marking.image) : marking.corners,
      frame: known === 'itself' || !wantsFrame ? null : (marking.frame ?? middling(marking.image, 0.12)),
    });
  };
  const set = (side: 'width' | 'height') => (mm: number | null) =>
    mm !== null && setMarking({ ...marking, own: { ...marking.own, [side]: mm } });
  const size = knownSize(marking, itself);
  return (
    <div className="flex flex-wrap items-end gap-2">
      <SelectField label="of known size in it" value={marking.known} options={options} onCommit={choose} />
      {marking.known === 'own' && size && (
        <>
          <LengthField label="its width" positive mm={marking.own.width} onCommit={(mm) => void set('width')(mm)} />
          <LengthField label="its height" positive mm={marking.own.height} onCommit={(mm) => void set('height')(mm)} />
        </>
      )}
    </div>
  );
}
