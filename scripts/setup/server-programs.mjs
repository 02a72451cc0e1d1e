/**
 * The server's own programs as parts of the framework's build: they share their modules with its endpoints, and while developing
 * the front stands before the framework in one process.
 *
 * @param programs file names in dist/server, to the modules they are made of
 */
export const serverPrograms = (programs, front) => ({
  name: "server-programs",
  hooks: {
    "astro:build:setup": ({ target, vite }) => {
      if (target !== "server") return;
      vite.plugins.push({
        name: "server-programs",
        buildStart() {
          for (const [fileName, id] of Object.entries(programs)) this.emitFile({ type: "chunk", id, fileName });
        },
      });
    },
    "astro:server:setup": ({ server }) => {
      server.middlewares.use((request, response, next) => {
        server.ssrLoadModule(front).then(({ developing }) => developing(request, response, next), next);
      });
    },
  },
});
