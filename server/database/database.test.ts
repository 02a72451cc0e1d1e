import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { afterAll, describe, expect, it } from "vitest";
import { findProducts } from "../catalogue/catalogue.ts";
import { emptyStore, loadDemo } from "../demo/load-demo.ts";
import { migrate } from "./migrate.ts";
import { databaseUrl, inTransaction, openPool } from "./pool.ts";

const pool = openPool(databaseUrl(), 10);
afterAll(() => pool.end());

async function withMigration(sql: string, use: (folder: string, file: string) => Promise<void>): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), "migrations-"));
  const file = join(folder, "9001-test.sql");
  await writeFile(file, sql);
  try {
    await use(folder, file);
  } finally {
    await rm(folder, { recursive: true });
    await pool.query("DROP TABLE IF EXISTS tried");
    await pool.query("DELETE FROM schema_migrations WHERE name = '9001-test.sql'");
  }
}

describe("migrations", () => {
  it("run once, and refuse to be changed afterwards", async () => {
    const sql = "CREATE TABLE tried (id INT NOT NULL PRIMARY KEY, n INT NOT NULL);\nINSERT INTO tried VALUES (1, 0);\n";
    await withMigration(sql, async (folder, file) => {
      expect(await migrate(pool, folder)).toEqual(["9001-test.sql"]);
      expect(await migrate(pool, folder)).toEqual([]);
      await writeFile(file, `${sql}-- changed`);
      await expect(migrate(pool, folder)).rejects.toThrow(/was changed after it was applied/);
    });
  });
});

describe("statements", () => {
  const hasty = openPool(databaseUrl(), 2, 150);
  afterAll(() => hasty.end());
  const late = { code: "ETIMEDOUT" };

  it("that are not answered in time are as if the database were away, and the next ones are answered", async () => {
    const began = performance.now();
    const slow = [1, 2, 3, 4].map(() => hasty.query("SELECT SLEEP(20)"));
    for (const one of await Promise.allSettled(slow)) expect(one).toMatchObject({ status: "rejected", reason: late });
    await expect(hasty.execute("SELECT SLEEP(?)", [20])).rejects.toMatchObject(late);
    expect(performance.now() - began).toBeLessThan(15_000);
    await pool.query("CREATE TABLE tried (id INT NOT NULL PRIMARY KEY)");
    try {
      const inTime = inTransaction(hasty, async (connection) => {
        await connection.query("INSERT INTO tried VALUES (1)");
        await connection.query("SELECT SLEEP(20)");
      });
      await expect(inTime).rejects.toMatchObject(late);
      expect((await hasty.query("SELECT * FROM tried"))[0]).toEqual([]);
      expect(await inTransaction(hasty, async (connection) => (await connection.query("SELECT 1 AS one"))[0])).toEqual([
        { one: 1 },
      ]);
    } finally {
      await pool.query("DROP TABLE tried");
    }
  });
});

describe("transactions", () => {
  it("lose nothing when many add to one row at once, and undo everything when the work fails", async () => {
    const sql =
      "CREATE TABLE tried (id INT NOT NULL PRIMARY KEY, n INT NOT NULL);\nINSERT INTO tried VALUES (1, 0), (2, 0);\n";
    await withMigration(sql, async (folder) => {
      await migrate(pool, folder);
      // Taking two rows in opposite orders deadlocks; a lost conflict is run again.
      const add = (first: number, second: number) =>
        inTransaction(pool, async (connection) => {
          for (const id of [first, second]) await connection.query("UPDATE tried SET n = n + 1 WHERE id = ?", [id]);
        });
      const work = Array.from({ length: 40 }, (_, i) => (i % 2 === 0 ? add(1, 2) : add(2, 1)));
      const done = (await Promise.allSettled(work)).filter(({ status }) => status === "fulfilled").length;
      await expect(
        inTransaction(pool, async (connection) => {
          await connection.query("UPDATE tried SET n = 1000");
          throw new Error("the work failed");
        }),
      ).rejects.toThrow("the work failed");
      const [rows] = await pool.query("SELECT n FROM tried ORDER BY id");
      expect(rows).toEqual([{ n: done }, { n: done }]);
      expect(done).toBeGreaterThan(20);
    });
  });
});

describe("the catalogue", () => {
  it("takes what is searched for as text, not as a pattern or a statement", async () => {
    // Whatever another test has left there, none of its names is to be met by chance.
    await emptyStore(pool);
    await loadDemo(pool, fileURLToPath(new URL("../../demo", import.meta.url)));
    expect((await findProducts(pool, "ink", 50)).length).toBeGreaterThan(1);
    for (const search of ["%", "_", "\\", "'; DROP TABLE products; --"])
      expect(await findProducts(pool, search, 50)).toEqual([]);
    expect((await findProducts(pool, "", 3)).length).toBe(3);
  });
});
