import { type DivisionKind } from '@heronstone/core/catalogue';
import { formatNumberOnly } from '@heronstone/core/lengths';
import { type Place, placesIn, type Plan } from '@heronstone/core/plan';

/** How a place is divided now, and the sizes of that as one types them (“70, 70, 110”, or how many alike); empty: it is whole. */
export function divisionOf(plan: Plan, place: Place): { kind: DivisionKind; sizes: string } {
  const parts = placesIn(plan, place.id).filter((p) => p.organiserId === null);
  const first = parts[0];
  if (!first) return { kind: 'lanes', sizes: '' };
  if (first.kind === 'slot') return { kind: 'slots', sizes: String(parts.length) };
  if (first.kind === 'tray') return { kind: 'trays', sizes: String(parts.length) };
  const kind = parts.some((p) => p.front > 0) ? 'rows' : 'lanes';
  const mm = parts.map((p) => (kind === 'lanes' ? p.width : p.depth));
  return { kind, sizes: mm.map((n) => formatNumberOnly(n, plan.head.measure)).join(', ') };
}
