import type { Pool, PoolConnection } from "mysql2/promise";
import { soonerThan } from "./deadline.ts";

/** What goes to the database and comes back from it. */
const STATEMENTS: ReadonlySet<string | symbol> = new Set([
  "query",
  "execute",
  "beginTransaction",
  "commit",
  "rollback",
]);

/**
 * A pool of which every statement has to be answered in time: a connection that misses it is given up, since nobody can tell what state
 * it is in. Whoever asked is told that the database cannot be reached.
 */
export function timedPool(pool: Pool, ms: number): Pool {
  const connect = async (): Promise<PoolConnection> => {
    const asked = pool.getConnection();
    try {
      return timedConnection(await soonerThan(asked, ms), ms);
    } catch (error) {
      // One that comes too late goes back to where it came from.
      asked.then(
        (late) => late.release(),
        () => undefined,
      );
      throw error;
    }
  };
  return instead(pool, (name) => {
    if (name === "getConnection") return connect;
    if (name !== "query" && name !== "execute") return undefined;
    return async (...given: unknown[]) => {
      const connection = await connect();
      try {
        return await called(connection, name, given);
      } finally {
        connection.release();
      }
    };
  });
}

function timedConnection(connection: PoolConnection, ms: number): PoolConnection {
  let isGivenUp = false;
  return instead(connection, (name) => {
    if (name === "release") return () => isGivenUp || connection.release();
    if (!STATEMENTS.has(name)) return undefined;
    return async (...given: unknown[]) => {
      const answer = Promise.resolve(called(connection, name, given));
      try {
        return await soonerThan(answer, ms);
      } catch (error) {
        if (!isGivenUp && isLate(error)) {
          isGivenUp = true;
          connection.destroy();
        }
        throw error;
      }
    };
  });
}

const isLate = (error: unknown): boolean => error instanceof Error && "code" in error && error.code === "ETIMEDOUT";

const called = (on: object, name: string | symbol, given: unknown[]): unknown => {
  const method: unknown = Reflect.get(on, name);
  if (typeof method !== "function") throw new Error(`there is no ${String(name)}`);
  return Reflect.apply(method, on, given);
};

/** The same thing with some of its methods in place of its own. */
const instead = <T extends object>(thing: T, method: (name: string | symbol) => unknown): T =>
  new Proxy(thing, {
    get(of, name) {
      const own = method(name);
      if (own !== undefined) return own;
      const value: unknown = Reflect.get(of, name, of);
      return typeof value === "function" ? value.bind(of) : value;
    },
  });
