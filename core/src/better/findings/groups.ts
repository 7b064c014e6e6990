import { CHECKS, type CheckName } from './checks.ts';
import { type Finding } from './finding.ts';

/** What a finding can do to one: hurt somebody, keep something from working, or only be less good than it could be; last what is left as it is. */
export const FINDING_GROUPS = {
  hurts: 'What can hurt somebody',
  fails: 'What does not work as it stands',
  better: 'What could be better',
  left: 'Left as it is',
} as const;
export type FindingGroup = keyof typeof FINDING_GROUPS;

const BETTER: readonly CheckName[] = [
  'chair',
  'radiator',
  'sag',
  'sun',
  'light',
  'shadow',
  'together',
  'unsayable',
  'zoneSmall',
  'zoneScattered',
  'zoneBeside',
];

export const groupOfFinding = ({ check, acknowledged }: Pick<Finding, 'check' | 'acknowledged'>): FindingGroup =>
  acknowledged ? 'left' : CHECKS[check].care !== null ? 'hurts' : BETTER.includes(check) ? 'better' : 'fails';

/** From so many on, findings of one check are one line. */
export const ALIKE = 4;

/** Findings of one check in a group; from {@link ALIKE} on they are said in one line, with their number. */
export type FindingLine = { check: CheckName; findings: Finding[] };
export type GroupedFindings = { group: FindingGroup; title: string; count: number; lines: FindingLine[] };

/** Findings in their groups, the worst first, in each those of one check together, in the order they come in. Empty groups are left out. */
export function groupedFindings(findings: readonly Finding[]): GroupedFindings[] {
  return (Object.keys(FINDING_GROUPS) as FindingGroup[]).flatMap((group) => {
    const mine = findings.filter((f) => groupOfFinding(f) === group);
    if (mine.length === 0) return [];
    const lines = new Map<CheckName, Finding[]>();
    for (const f of mine) lines.set(f.check, [...(lines.get(f.check) ?? []), f]);
    return [
      {
        group,
        title: FINDING_GROUPS[group],
        count: mine.length,
        lines: [...lines].map(([check, of]) => ({ check, findings: of })),
      },
    ];
  });
}

/** The worst of what is open, in words: what can hurt first, one of each check. */
export function worstOf(findings: readonly Finding[], most = 3): string[] {
  const open = groupedFindings(findings).filter((g) => g.group !== 'left');
  return open.flatMap((g) => g.lines.map((l) => l.findings[0]!.words)).slice(0, most);
}
