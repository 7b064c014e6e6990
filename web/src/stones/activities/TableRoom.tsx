import { type Plan, type Station } from '@heronstone/core/plan';
import { leavesOut, tableLaid, type WhyBack } from '@heronstone/core/sessions';
import { useMemo } from 'react';
import { countWords } from '../../ui/words.ts';

const WHY: Record<WhyBack, string> = {
  'no room': 'no room on the table',
  'no holder': 'a blade or hot, and nothing at hand that holds it',
  seldom: 'not wanted in every session',
  'at once': 'back at once',
};

/** The table of a station while somebody works at it: the work, what lies out until done, and what goes back each time. */
export function TableRoom({ plan, station }: { plan: Plan; station: Station }) {
  const laid = useMemo(() => tableLaid(plan, station), [plan, station]);
  if (!laid) return null;
  const { width, depth, work, back } = laid;
  const out = laid.laid.flatMap((l) => l.things);
  const groups = (Object.keys(WHY) as WhyBack[]).map((why) => ({ why, list: back.filter((b) => b.why === why) }));
  const [w, d] = [Math.max(1, width), Math.max(1, depth)];
  return (
    <figure aria-label={`Table at ${station.name}`} className="mt-2 flex flex-wrap items-start gap-4 text-[14px]">
      {leavesOut(plan, station) && (
        <svg viewBox={`0 0 ${w} ${d}`} className="h-32 max-w-full" aria-hidden>
          <rect width={w} height={d} fill="var(--wood)" stroke="var(--wood-line)" strokeWidth={w / 200} />
          {/* the maker is below: the front of the table is down */}
          <rect
            x={work.x}
            y={d - work.y - work.depth}
            width={work.width}
            height={work.depth}
            fill="var(--paper)"
            stroke="var(--edge)"
            strokeDasharray={`${w / 60}`}
            strokeWidth={w / 250}
          />
          {laid.laid.map((l) => (
            <rect
              key={l.things[0]!.id}
              x={l.x}
              y={d - l.y - l.depth}
              width={l.width}
              height={l.depth}
              fill={l.things[0]!.colour ?? 'var(--heron)'}
              stroke="var(--ink)"
              strokeWidth={w / 300}
            >
              <title>{l.things.map((t) => t.name).join(', ')}</title>
            </rect>
          ))}
        </svg>
      )}
      <figcaption className="min-w-0 max-w-md grow basis-60">
        <p>
          {out.length + laid.beside.length > 0
            ? `${countWords(out.length + laid.beside.length, 'thing lies', 'things lie')} by the hand until done: got out once, reached for over the table.`
            : 'Nothing lies out: every reach is a walk.'}
        </p>
        {groups.map(({ why, list }) =>
          list.length === 0 ? null : (
            <p key={why} className="text-soft">
              {countWords(list.length, 'goes', 'go')} back each time ({WHY[why]}):{' '}
              {list
                .slice(0, 4)
                .map((b) => b.supply.name)
                .join(', ')}
              {list.length > 4 && ` and ${list.length - 4} more`}.
            </p>
          ),
        )}
      </figcaption>
    </figure>
  );
}
