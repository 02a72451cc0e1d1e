import { join } from "node:path";
import { prepareDatabase, startApp } from "./app-server.mjs";
import { freePort, startDatabase } from "./database.mjs";

/**
 * Has journeys made through an app and a database of their own.
 *
 * @param folder for the database
 * @param make runs them, with the environment they need
 */
export async function withApp(root, folder, make) {
  const database = await startDatabase(folder);
  let app;
  try {
    const link = prepareDatabase(root, database.url);
    app = await startApp(root, database.url, await freePort());
    return await make({
      SUMMANT_DATABASE_URL: database.url,
      SUMMANT_URL: app.address,
      SUMMANT_FIRST_LINK: link,
      SUMMANT_SIGNED_IN: join(folder, "signed-in.json"),
    });
  } finally {
    await app?.stop();
    await database.stop();
  }
}
