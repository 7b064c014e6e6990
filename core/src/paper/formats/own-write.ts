import Papa from 'papaparse';
import { formatLength, formatWeight } from '../../measures/lengths/index.ts';
import { homeOf, type OwnList, placeTitle, type Plan, usesOf } from '../../record/plan/index.ts';
import { type Meaning } from './own-meanings.ts';
import { safeCell } from './safe-cell.ts';

/** The supplies of a plan as the list that was read: its own headings, its own measure; what was kept in the note under its heading. */
export function writeOwnTable(plan: Plan, list: OwnList): string {
  const number = (mm: number | null) => (mm === null ? '' : formatLength(mm, list.measure));
  const rows = Object.values(plan.supplies)
    .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1))
    .map((s) => {
      const noted = new Map(
        s.note.split('\n').flatMap((line) => {
          const m = /^([^:\n]{1,60}): (.*)$/.exec(line);
          return m && list.headings.includes(m[1]!) ? [[m[1]!, m[2]!] as const] : [];
        }),
      );
      const free = s.note
        .split('\n')
        .filter((line) => !noted.has(/^([^:\n]{1,60}): /.exec(line)?.[1] ?? '\0'))
        .join('\n');
      return list.headings.map((heading, i) => {
        const meaning = (list.meanings[i] ?? '') as Meaning;
        switch (meaning) {
          case 'name':
            return s.name;
          case 'family':
            return s.family;
          case 'size':
            return s.width === null || s.depth === null
              ? (noted.get(heading) ?? '')
              : [s.width, s.depth, ...(s.height === null ? [] : [s.height])].map(number).join(' x ');
          case 'width':
          case 'depth':
          case 'height':
            return number(s[meaning]) || (noted.get(heading) ?? '');
          case 'mass':
            return s.mass > 0 ? formatWeight(s.mass, list.measure) : (noted.get(heading) ?? '');
          case 'grammage':
            return s.grammage === null ? '' : `${s.grammage} g/m²`;
          case 'working':
          case 'backstock':
          case 'packOf':
            return String(s[meaning]);
          case 'packs':
            return String(Math.round((s.working / s.packOf) * 100) / 100);
          case 'reorderAt':
            return s.reorderAt === null ? '' : String(s.reorderAt);
          case 'colour':
            return noted.get(heading) ?? s.colour ?? '';
          case 'maker':
          case 'line':
          case 'theme':
            return s[meaning];
          case 'uses':
            return usesOf(plan, s.id)
              .map((u) => plan.activities[u.activityId]?.name ?? '')
              .filter(Boolean)
              .join(', ');
          case 'home': {
            const home = homeOf(plan, s.id, 'working');
            const place = home && plan.places[home.placeId];
            return place ? placeTitle(plan, place) : (noted.get(heading) ?? '');
          }
          case 'note':
            return free;
          case '':
            return noted.get(heading) ?? '';
        }
      });
    });
  return `${Papa.unparse([list.headings.map(safeCell), ...rows.map((r) => r.map(safeCell))])}\r\n`;
}
