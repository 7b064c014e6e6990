import { type Request } from 'express';

/** Every value a cookie of that name was sent with: another program of the same host may have set one too, and it may come first. */
export function cookiesOf(req: Request, wanted: string): string[] {
  return (req.headers.cookie ?? '').split(';').flatMap((part) => {
    const at = part.indexOf('=');
    return at > 0 && part.slice(0, at).trim() === wanted ? [part.slice(at + 1).trim()] : [];
  });
}
