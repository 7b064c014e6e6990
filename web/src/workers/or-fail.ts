/**
 * A worker's answer, or an error in words when the worker could not be started or broke down: without this one would wait for ever.
 */
export function orFail<T>(worker: Worker, answer: Promise<T>): Promise<T> {
  const listening = new AbortController();
  const { signal } = listening;
  return new Promise<T>((resolve, reject) => {
    worker.addEventListener(
      'error',
      (e) => {
        e.preventDefault();
        reject(new Error(e.message || 'its helper could not be started; reload the page'));
      },
      { signal },
    );
    worker.addEventListener('messageerror', () => reject(new Error('its helper could not be understood')), { signal });
    answer.then(resolve, reject);
  }).finally(() => listening.abort());
}
