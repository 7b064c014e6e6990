import { createHash, randomBytes } from 'node:crypto';

/** A secret that stands in a link or a cookie: 256 bits, nobody guesses it. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** What is kept of it: it cannot be worked back. */
export const digestOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');
