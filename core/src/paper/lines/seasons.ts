import { monthsIn } from '../../record/plan/index.ts';

const ONLY = /[\s,;(]+only\s+([^;()]+?)\s*\)?$/i;
const CLAUSE = /\s*[,;(]\s*((?:in|from|for|during|not)\s[^;()]+|[^,;()]+\b(?:to|till|until|through)\b[^,;()]+)\s*\)?$/i;

/** In which months it is wanted, said at the end of a line: “…, only Oct to Dec”, “… (in summer)”; a month or season alone may be part of a name. */
export function seasonIn(text: string, south: boolean): { rest: string; months: number[] } {
  for (const form of [ONLY, CLAUSE]) {
    const m = form.exec(text);
    const months = m && monthsIn(m[1]!, south);
    if (m && months) return { rest: text.slice(0, m.index).trim(), months };
  }
  return { rest: text, months: [] };
}
