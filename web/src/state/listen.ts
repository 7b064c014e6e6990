/** How long is waited before a stream that was refused is asked for again, ms; the last is kept to (own assumption). */
const WAITS = [1_000, 2_000, 5_000, 10_000];

export type Heard = Readonly<Record<string, (data: string) => void>>;

/**
 * Listens to a stream of the server for as long as it is wanted. A browser comes back by itself when a stream breaks off, and gives up for good when
 * it is refused (401, 503, no such plan): it is asked for again then.
 * @param heard what to do with each kind of event
 * @param onDeaf told when nothing is heard, and (`false`) when something is again; after a refusal `refused` is true
 * @returns the way to end it
 */
export function listen(
  url: string,
  heard: Heard,
  onDeaf: (deaf: boolean, refused: boolean) => void,
  waits: readonly number[] = WAITS,
): () => void {
  let stream: EventSource;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let refusals = 0;
  const begin = () => {
    stream = new EventSource(url);
    stream.addEventListener('open', () => {
      refusals = 0;
      onDeaf(false, false);
    });
    for (const [kind, take] of Object.entries(heard))
      stream.addEventListener(kind, (e) => take((e as MessageEvent<string>).data));
    stream.addEventListener('error', () => {
      const refused = stream.readyState === EventSource.CLOSED;
      onDeaf(true, refused);
      if (refused) timer = setTimeout(begin, waits[Math.min(refusals++, waits.length - 1)]);
    });
  };
  begin();
  return () => {
    clearTimeout(timer);
    stream.close();
  };
}
