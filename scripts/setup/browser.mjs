/** Debian's Chromium, kept from calling home: how tests and screenshots launch it. */
export const BROWSER = {
  executablePath: "/usr/bin/chromium-headless-shell",
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    // Letters and spaces as wide as they are on screens, not fitted to whole pixels.
    "--font-render-hinting=none",
  ],
};
