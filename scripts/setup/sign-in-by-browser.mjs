/** What whoever runs the store signs in with in the journeys. */
export const KEEPER = { name: "Keeper", password: "eleven paper lanterns" };

/** The session in what a browser has kept, for requests without one: what to send as `cookie`. */
export const cookieIn = (state) =>
  state.cookies
    .filter(({ name }) => name === "__Host-summant")
    .map(({ name, value }) => `${name}=${value}`)
    .join();

/**
 * Signs in as a person does who starts the app for the first time: by the link that it prints, then with a password of their own.
 *
 * @param link what the link ends with: see `prepareDatabase`
 * @returns what a browser has kept then, for contexts that are signed in
 */
export async function signInAtFirst(browser, address, link) {
  const page = await browser.newPage();
  await page.goto(`${address}/sign-in#${link}`);
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await page.waitForURL(/\/overview/);
  await page.goto(`${address}/account`);
  await page.getByLabel("Your new password").fill(KEEPER.password);
  await page.getByRole("button", { name: "Set the password" }).click();
  await page.getByText("Set. Everywhere else you are signed out.").waitFor();
  const state = await page.context().storageState();
  await page.close();
  return state;
}
