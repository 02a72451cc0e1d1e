/**
 * A worker's answer, or its failure: one that cannot be loaded, or that fails outside of what it was asked, answers nothing, and
 * whoever waits for it would wait for ever.
 */
export function answerOrFailure<T>(worker: Worker, answer: Promise<T>): Promise<T> {
  return new Promise((resolve, reject) => {
    const fail = (event: Event) => {
      reject(new Error(event instanceof ErrorEvent && event.message !== "" ? event.message : "the worker failed"));
    };
    worker.addEventListener("error", fail, { once: true });
    worker.addEventListener("messageerror", fail, { once: true });
    answer.then(resolve, reject).finally(() => {
      worker.removeEventListener("error", fail);
      worker.removeEventListener("messageerror", fail);
    });
  });
}
