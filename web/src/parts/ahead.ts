/** The scripts and styles this build is made of, as the build has written them down. */
const LIST = '/parts.json';
/** How long is waited before what did not come is asked for once more, ms; the last is kept to. */
const WAITS = [2_000, 10_000, 30_000];

let begun: Promise<void> | null = null;

/**
 * Fetches all that the app may still need, one after the other while the page is idle, so that no stone, book or drawing is missing when the server
 * is away. What does not come is asked for again until it does.
 */
export function fetchAhead(): Promise<void> {
  begun ??= fetchAll();
  return begun;
}

async function fetchAll(): Promise<void> {
  const parts = await untilThere(async () => (await (await fetch(LIST)).json()) as string[]);
  for (const path of parts) {
    await idle();
    await untilThere(() => fetchPart(path));
  }
}

async function untilThere<T>(work: () => Promise<T>): Promise<T> {
  for (let i = 0; ; i++) {
    try {
      return await work();
    } catch {
      await new Promise((go) => setTimeout(go, WAITS[Math.min(i, WAITS.length - 1)]));
    }
  }
}

const idle = () =>
  new Promise<void>((go) =>
    'requestIdleCallback' in window ? requestIdleCallback(() => go(), { timeout: 2_000 }) : setTimeout(go, 50),
  );

/** A script comes into the page’s own list of modules, from which it is taken later without the server; all else into the browser’s cache. */
async function fetchPart(path: string): Promise<void> {
  if (path.endsWith('.js') && !path.includes('worker')) {
    const link = document.createElement('link');
    link.rel = 'modulepreload';
    link.href = path;
    const came = new Promise<void>((done, fail) => {
      link.onload = () => done();
      link.onerror = () => {
        link.remove();
        fail(new Error(path));
      };
    });
    document.head.append(link);
    return came;
  }
  const answer = await fetch(path);
  if (!answer.ok) throw new Error(path);
  await answer.arrayBuffer();
}
