/**
 * A worker's answer, or an error in words when the worker could not be started or broke down: without this one would wait for ever.
 */
export function orFail<T>(worker: Worker, answer: Promise<T>): Promise<T> {
  return new Promise((resolve, reject) => {
    worker.addEventListener('error', (e) => {
      e.preventDefault();
      reject(new Error(e.message || 'its helper could not be started; reload the page'));
    });
    worker.addEventListener('messageerror', () => reject(new Error('its helper could not be understood')));
    answer.then(resolve, reject);
  });
}
