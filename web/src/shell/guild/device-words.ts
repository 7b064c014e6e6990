/** What a browser says of itself, in words somebody recognises their own device by: phones say “Mobi”, tablets “Tablet” (common practice). */
export function deviceWords(said: string): string {
  if (/Tablet/.test(said)) return 'a tablet';
  if (/Mobi/.test(said)) return 'a phone';
  return /^Mozilla\//.test(said) ? 'a computer' : said.slice(0, 40) || 'an unknown device';
}
