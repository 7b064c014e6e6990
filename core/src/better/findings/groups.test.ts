import { describe, expect, test } from '@jest/globals';
import { CHECKS, type CheckName, type Finding, groupedFindings, groupOfFinding, worstOf } from './index.ts';

const finding = (check: CheckName, n = 1, acknowledged = false): Finding => ({
  key: `${check}:${n}`,
  check,
  words: `${CHECKS[check].title} ${n}`,
  unitIds: [],
  placeIds: [],
  area: null,
  acknowledged: acknowledged ? { id: `${check}:${n}`, reason: 'known', since: '2026-11-30' } : null,
});

describe('findings in groups', () => {
  test('every check that warns of hurt is in the first group, every other in one of the next two', () => {
    for (const check of Object.keys(CHECKS) as CheckName[]) {
      const group = groupOfFinding(finding(check));
      expect([check, group === 'hurts']).toEqual([check, CHECKS[check].care !== null]);
      expect(['hurts', 'fails', 'better']).toContain(group);
      expect(groupOfFinding(finding(check, 1, true))).toBe('left');
    }
    expect(groupOfFinding(finding('overlap'))).toBe('fails');
    expect(groupOfFinding(finding('unsayable'))).toBe('better');
  });

  test('none is lost or doubled; alike ones are one line; the worst come first', () => {
    const all = [
      finding('unsayable', 1),
      ...[1, 2, 3, 4, 5].map((n) => finding('before', n)),
      finding('tipping', 1),
      finding('heater', 1),
      finding('tipping', 2),
      finding('overlap', 1, true),
    ];
    const groups = groupedFindings(all);
    expect(groups.map((g) => [g.group, g.count])).toEqual([
      ['hurts', 3],
      ['fails', 5],
      ['better', 1],
      ['left', 1],
    ]);
    const keys = groups.flatMap((g) => g.lines.flatMap((l) => l.findings.map((f) => f.key)));
    expect([...keys].sort()).toEqual(all.map((f) => f.key).sort());
    expect(groups[1]!.lines).toHaveLength(1);
    expect(worstOf(all)).toEqual(['Tipping 1', 'Heater 1', 'Room before it 1']);
    expect(worstOf([finding('overlap', 1, true)])).toEqual([]);
  });
});
