const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Firefox\//, 'Firefox'],
  [/Edg\//, 'Edge'],
  [/Chrom(e|ium)\//, 'Chromium or Chrome'],
  [/Safari\//, 'Safari'],
];
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/iPhone|iPad/, 'a phone or tablet'],
  [/Android/, 'a phone or tablet'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'a Mac'],
  [/Linux|X11/, 'Linux'],
];

/** What a browser says of itself, in words somebody recognises their own device by. */
export function deviceWords(said: string): string {
  const of = (list: typeof BROWSERS) => list.find(([which]) => which.test(said))?.[1];
  const [browser, system] = [of(BROWSERS), of(SYSTEMS)];
  if (!browser) return said.slice(0, 40) || 'an unknown device';
  return system ? `${browser} on ${system}` : browser;
}
