/** Signed in, one goes on to where one was going: an address of this app, whatever stands in the link. */
export function goOn(): void {
  const to = new URLSearchParams(window.location.search).get("to") ?? "/";
  const { origin } = window.location;
  const isOwn = URL.canParse(to, origin) && new URL(to, origin).origin === origin;
  // A redirect leaves the fragment as it was.
  const { hash } = window.location;
  window.location.replace(isOwn ? new URL(`${to}${to.includes("#") ? "" : hash}`, origin) : "/");
}
