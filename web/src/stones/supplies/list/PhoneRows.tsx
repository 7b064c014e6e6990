import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef } from 'react';
import { livesSaid } from '@heronstone/core/concepts';
import { type Plan } from '@heronstone/core/plan';
import { monthOf, today } from '../../../ui/words.ts';
import { useRoving } from '../../../ui/roving.ts';
import { type Row } from './rows.ts';
import { sizeWords } from './columns.ts';

/** The list in the hand: rows of two lines, as wide as the screen. */
export function PhoneRows({
  plan,
  rows,
  onOpen,
}: {
  plan: Plan;
  rows: readonly Row[];
  onOpen: (supplyId: string) => void;
}) {
  const scroller = useRef<HTMLDivElement | null>(null);
  const roving = useRoving<HTMLDivElement>();
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 56,
    overscan: 8,
  });
  return (
    <div
      ref={(el) => {
        scroller.current = el;
        roving.ref.current = el;
      }}
      onKeyDown={roving.onKeyDown}
      className="h-[calc(100dvh-12.5rem)] min-h-64 overflow-auto"
    >
      <ul style={{ height: virtual.getTotalSize(), position: 'relative' }} aria-label="Supplies">
        {virtual.getVirtualItems().map((item) => {
          const row = rows[item.index]!;
          if ('group' in row) return null;
          const s = row.supply;
          const where = livesSaid(plan, s, monthOf(today()));
          return (
            <li
              key={s.id}
              style={{
                position: 'absolute',
                top: 0,
                left: 0,
                right: 0,
                height: 56,
                transform: `translateY(${item.start}px)`,
              }}
            >
              <button
                type="button"
                data-row
                onClick={() => onOpen(s.id)}
                className="flex h-full w-full flex-col justify-center border-b border-line px-1 text-left"
              >
                <span className="flex gap-2">
                  <span className="min-w-0 grow truncate font-semibold">{s.name}</span>
                  <span>
                    {s.working}
                    {s.backstock > 0 && ` + ${s.backstock}`}
                  </span>
                </span>
                <span className="flex gap-2 text-[14px] text-soft">
                  <span className="min-w-0 grow truncate">{where || 'no home yet'}</span>
                  <span className={s.width === null ? 'text-clash' : ''}>
                    {sizeWords(s, plan.head.measure) || 'no size'}
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
