/**
 * Signs in by the first link of a start, as whoever starts the app does.
 *
 * @param link see `prepareDatabase`
 * @returns what to send as `cookie`
 */
export async function signInBy(address, link) {
  const response = await fetch(`${address}/api/sign-in/link`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ do: "use", token: link }),
  });
  if (!response.ok) throw new Error(`the first link does not sign in: ${response.status} ${await response.text()}`);
  return response.headers
    .getSetCookie()
    .map((cookie) => cookie.split(";")[0])
    .join("; ");
}

/** Makes a key that is allowed everything. @returns what to send as `authorization` */
export async function makeKey(address, cookie, aSecond = 100_000) {
  const response = await fetch(`${address}/api/keys`, {
    method: "POST",
    headers: { "content-type": "application/json", cookie },
    body: JSON.stringify({ do: "make", name: "Tests", rights: ["quote", "claim", "orders", "shoppers"], aSecond }),
  });
  const { secret } = await response.json();
  return `Bearer ${secret}`;
}
