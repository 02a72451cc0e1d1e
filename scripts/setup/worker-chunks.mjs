import { dirname, join } from "node:path";

const NEW_WORKER = /new Worker\(\s*new URL\("(\.[^"]+)", import\.meta\.url\)/g;

/**
 * Workers as parts of the page's own build. By itself Vite builds each one apart, with a copy of everything that it shares with
 * the page: the browser would load the engine once more for every worker. Here a worker's file is one more entry, and what it
 * shares is loaded, and built, once.
 */
export const workerChunks = () => ({
  name: "worker-chunks",
  apply: "build",
  enforce: "pre",
  transform(code, id) {
    if (!code.includes("new Worker(")) return null;
    return code.replaceAll(NEW_WORKER, (_, file) => {
      const chunk = this.emitFile({ type: "chunk", id: join(dirname(id), file) });
      return `new Worker(import.meta.ROLLUP_FILE_URL_${chunk}`;
    });
  },
});
