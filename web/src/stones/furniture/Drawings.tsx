import { useState } from 'react';
import { wallsInOrder } from '@heronstone/core/plan';
import { shippedFaces } from '../../parts/faces.ts';
import { doing, fetched } from '../../parts/fetched.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { fileName } from '../../ui/file-name.ts';
import { saveFile } from '../../ui/save-file.ts';
import { savePrint } from '../../ui/save-print.ts';
import { Sheet } from '../../ui/sheet.tsx';
import { DrawerMaps } from './DrawerMaps.tsx';
import { PlanBook } from './PlanBook.tsx';

const noteFor = (line: string) =>
  `Measure again before you cut or drill. Print at 100 %; the line of ${line} tells whether it was.`;

/** Floor and every wall front to take along: SVG and DXF to scale, PDF to print. The writers are loaded when they are asked for. */
export function Drawings({ unitId, onClose }: { unitId?: string | undefined; onClose: () => void }) {
  const plan = usePlan((s) => s.plan);
  const note = noteFor(plan.head.measure === 'metric' ? '1 m' : '3 ft');
  const [trouble, setTrouble] = useState<string | null>(null);
  const file = (what: string, ending: string) => fileName(plan.head.name, what, ending);
  const write = async (which: 'svg' | 'dxf', wallId: string | null) => {
    const { drawFloor, drawWall, toDxf, toSvg } = await fetched(() => import('@heronstone/core/drawings'));
    const sheet = wallId ? drawWall(plan, wallId) : drawFloor(plan);
    if (!sheet) return setTrouble('This wall can be drawn once the walls close.');
    const name = file(sheet.title.replace(`${plan.head.name}: `, ''), which);
    if (which === 'svg') saveFile(name, 'image/svg+xml', toSvg(sheet));
    else saveFile(name, 'image/vnd.dxf', toDxf(sheet));
  };
  const print = async (paper: 'a4' | 'letter') => {
    const { drawAll, toPdf } = await fetched(() => import('@heronstone/core/drawings'));
    savePrint(file(paper, 'pdf'), await toPdf(drawAll(plan), paper, note, await shippedFaces(), plan.head.measure));
  };
  const rows = [
    { id: null, name: 'Floor' },
    ...wallsInOrder(plan).map((w, i) => ({ id: w.id, name: w.name ? `${w.name} wall` : `Wall ${i + 1}` })),
  ];
  return (
    <Sheet title="On paper" onClose={onClose}>
      <div className="space-y-4">
        <PlanBook />
        <DrawerMaps {...(unitId === undefined ? {} : { unitId })} />
      </div>
      <h3 className="mt-4 font-display font-semibold">Drawings to scale</h3>
      <p className="text-soft">{note}</p>
      <div className="mt-3 flex gap-2">
        <Button look="main" onClick={() => doing(() => print('a4'))}>
          Everything as PDF, A4
        </Button>
        <Button onClick={() => doing(() => print('letter'))}>US Letter</Button>
      </div>
      <ul className="mt-3 divide-y divide-line">
        {rows.map(({ id, name }) => (
          <li key={id ?? 'floor'} className="flex items-center justify-between py-1">
            {name}
            <span className="flex gap-1">
              <Button aria-label={`${name} as SVG`} onClick={() => doing(() => write('svg', id))}>
                SVG
              </Button>
              <Button aria-label={`${name} as DXF`} onClick={() => doing(() => write('dxf', id))}>
                DXF
              </Button>
            </span>
          </li>
        ))}
      </ul>
      {trouble && (
        <p role="alert" className="text-clash">
          {trouble}
        </p>
      )}
    </Sheet>
  );
}
