import { wrap, type Remote } from 'comlink';

/** What every worker can be asked: it answers once its script has come and runs. */
export type Answering = { here: () => boolean };

export type StartedWorker<T> = {
  ask: Remote<T>;
  /** Fails where the worker's script could not be had, or has not begun in time: it answers nothing then, ever. */
  lost: Promise<never>;
};

/**
 * Starts a worker, and knows whether it began: what is asked of one that did not would wait for good. Null where the browser
 * gives none.
 */
export function startWorker<T extends Answering>(
  make: () => Worker,
  beginsWithinMs: number,
): StartedWorker<T> | null {
  if (typeof Worker === 'undefined') return null;
  const worker = make();
  const ask = wrap<T>(worker);
  const lost = new Promise<never>((_, reject) => {
    const late = setTimeout(() => reject(new Error('The worker did not begin.')), beginsWithinMs);
    worker.onerror = () => reject(new Error('The worker could not be started.'));
    void wrap<Answering>(worker)
      .here()
      .then(() => clearTimeout(late));
  });
  lost.catch(() => undefined);
  return { ask, lost };
}
