const SPANS = /^(?:(\d+(?:[.,]\d+)?)\s*(?:h|hrs?|hours?))?\s*(?:(\d+(?:[.,]\d+)?)\s*(?:m|min|mins|minutes?)?)?$/i;
const CLOCK = /^(\d{1,2}):([0-5]\d)$/;
const PARTS: Record<string, number> = { '½': 0.5, '¼': 0.25, '¾': 0.75 };
const HALVES: Record<string, number> = {
  'half an hour': 30,
  'a quarter of an hour': 15,
  'an hour': 60,
  'an hour and a half': 90,
};

const number = (text: string | undefined): number => (text === undefined ? 0 : Number(text.replace(',', '.')));

/** Minutes as people say them: “90”, “90 min”, “2 h”, “1.5 hours”, “1½ hours”, “1 h 30”, “1:30”, “half an hour”; null: something else. */
export function minutesIn(text: string): number | null {
  const said = text
    .trim()
    .toLowerCase()
    .replace(/(\d*)\s?([½¼¾])/g, (_, whole: string, part: string) => String(Number(whole) + PARTS[part]!))
    .replace(/\s+/g, ' ');
  const half = HALVES[said];
  if (half !== undefined) return half;
  const clock = CLOCK.exec(said);
  if (clock) return Number(clock[1]) * 60 + Number(clock[2]);
  const spans = said === '' ? null : SPANS.exec(said);
  return spans ? number(spans[1]) * 60 + number(spans[2]) : null;
}
