import node from "@astrojs/node";
import react from "@astrojs/react";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig, passthroughImageService } from "astro/config";
import { serverPrograms } from "./scripts/setup/server-programs.mjs";
import { workerChunks } from "./scripts/setup/worker-chunks.mjs";

/** What is remembered part by part; elsewhere that costs more to send than it saves: decisions/0039. */
const isRemembered = (file) => /\/web\/(fields|editors|state|sections\/(?!offers\/))/.test(file);

export default defineConfig({
  srcDir: "./web",
  publicDir: "./web/public",
  output: "server",
  // It is not started by itself: server/desk.ts does.
  adapter: node({ mode: "middleware" }),
  integrations: [
    serverPrograms(
      {
        "start.mjs": "server/start.ts",
        "front.mjs": "server/front.ts",
        "desk.mjs": "server/desk.ts",
        "order-worker.mjs": "server/evidence/order-worker.ts",
        "prepare-database.mjs": "server/prepare-database.ts",
      },
      "/server/http/developing.ts",
    ),
    react({
      // Components and hooks alone: everything else would go through its parser for nothing.
      include: ["**/web/**/*.{ts,tsx}"],
      exclude: ["**/web/pages/**"],
      babel: { plugins: [["babel-plugin-react-compiler", { sources: isRemembered }]] },
    }),
  ],
  telemetry: false,
  // Pictures are shown as they are; the endpoint that would work on them for anyone who asks is not there.
  image: { service: passthroughImageService(), endpoint: { entrypoint: "./web/no-pictures.ts" } },
  // Every endpoint that changes something takes JSON only, which no form of another site can send.
  security: { checkOrigin: false },
  devToolbar: { enabled: false },
  // Astro hashes its own inline scripts; everything else comes from files of this server.
  experimental: {
    csp: {
      directives: [
        "default-src 'self'",
        "img-src 'self' data:",
        "font-src 'self'",
        "connect-src 'self'",
        "worker-src 'self'",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
        "frame-ancestors 'none'",
      ],
    },
  },
  vite: { plugins: [tailwindcss(), workerChunks()], worker: { format: "es" } },
});
