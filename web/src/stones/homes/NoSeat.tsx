import { EmptyStone } from '../../views/empty/EmptyStone.tsx';
import { SitHere } from '../../views/empty/SitHere.tsx';

export function NoSeat() {
  return (
    <main className="p-8">
      <h1 className="font-display text-2xl font-semibold">Homes</h1>
      <EmptyStone of="homes">
        <p>The room as it is seen from your seat: near and far are measured from where someone works.</p>
        <SitHere />
      </EmptyStone>
    </main>
  );
}
