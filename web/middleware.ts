import { defineMiddleware } from "astro:middleware";

/** Headers for every answer; the content security policy for pages is Astro's, which knows the hashes of its scripts. */
const HEADERS = {
  "x-content-type-options": "nosniff",
  "x-frame-options": "DENY",
  "referrer-policy": "same-origin",
  "cross-origin-opener-policy": "same-origin",
  "cross-origin-resource-policy": "same-origin",
  "permissions-policy": "camera=(), microphone=(), geolocation=()",
} as const;

export const onRequest = defineMiddleware(async (_context, next) => {
  const response = await next();
  for (const [name, value] of Object.entries(HEADERS)) response.headers.set(name, value);
  return response;
});
