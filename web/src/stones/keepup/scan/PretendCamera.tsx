import { useState } from 'react';
import { codeOf, qrOf, QUIET } from '@heronstone/core/labels';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { PlaceField } from '../../../ui/place-field.tsx';
import { decoded } from './decoded.ts';

/** A stand-in for a camera: the label of a place is held before it, a little askew, and read as any picture is. */
export function PretendCamera({
  onText,
  onSaid,
}: {
  onText: (text: string) => boolean;
  onSaid: (words: string | null) => void;
}) {
  const plan = usePlan((s) => s.plan);
  const [placeId, setPlace] = useState<string | null>(null);
  const look = async () => {
    if (placeId === null) return onSaid('Choose a label to hold before it.');
    const code = qrOf(codeOf({ kind: 'place', id: placeId }));
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = 420;
    const c = canvas.getContext('2d')!;
    c.fillStyle = '#cdc6b6';
    c.fillRect(0, 0, 420, 420);
    c.translate(210, 210);
    c.rotate((Math.random() - 0.5) * 0.5);
    const square = 300 / (code.size + 2 * QUIET);
    c.fillStyle = '#fff';
    c.fillRect(-150, -150, 300, 300);
    c.fillStyle = '#111';
    for (let y = 0; y < code.size; y++)
      for (let x = 0; x < code.size; x++)
        if (code.dark[y * code.size + x])
          c.fillRect(-150 + (x + QUIET) * square, -150 + (y + QUIET) * square, square + 0.3, square + 0.3);
    const text = await decoded(canvas, 420, 420);
    if (text === null) onSaid('It was held too much askew. Once more.');
    else if (onText(text)) onSaid(null);
  };
  return (
    <div className="flex items-end gap-2 rounded-xl bg-stone/60 p-2">
      <div className="min-w-0 grow">
        <PlaceField
          plan={plan}
          label="Pretend camera: hold the label of"
          placeId={placeId}
          none="no label"
          onCommit={setPlace}
        />
      </div>
      <Button onClick={() => void look()}>Read it</Button>
    </div>
  );
}
