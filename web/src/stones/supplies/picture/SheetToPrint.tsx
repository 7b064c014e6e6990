import { Printer } from 'lucide-react';
import { shippedFaces } from '../../../parts/faces.ts';
import { doing, fetched } from '../../../parts/fetched.ts';
import { Button } from '../../../ui/button.tsx';
import { savePrint } from '../../../ui/save-print.ts';

/** The measuring sheet as PDF; its writer is fetched when it is asked for. */
export function SheetToPrint() {
  const print = (paper: 'a4' | 'letter') =>
    doing(async () => {
      const { measuringSheet } = await fetched(() => import('@heronstone/core/drawings'));
      savePrint(`heronstone-measuring-sheet-${paper}.pdf`, await measuringSheet(paper, await shippedFaces()));
    });
  return (
    <span className="flex items-center gap-1">
      <Button onClick={() => print('a4')}>
        <Printer size={15} aria-hidden /> Measuring sheet, A4
      </Button>
      <Button look="quiet" onClick={() => print('letter')} aria-label="Measuring sheet, US Letter">
        Letter
      </Button>
    </span>
  );
}
