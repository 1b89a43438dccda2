import "server-only";
import { readFileSync } from "node:fs";
import { AsyncLocalStorage } from "node:async_hooks";
import knex, { type Knex } from "knex";

export type Database = Knex;
export type Transaction = Knex.Transaction;

/** Where the database is, from the environment. */
export interface DatabaseAddress {
  readonly host: string;
  readonly port: number;
  readonly user: string;
  readonly password: string;
  readonly name: string;
  /** Null for a connection in the clear, as on loopback; else what its certificate is checked against, the system's authorities without `ca`. */
  readonly tls: { readonly ca?: string } | null;
}

/** What a file holds that a secret of the environment names, without the line's end; the environment's own value where no file is named. */
function fromFileOr(environment: NodeJS.ProcessEnv, name: string): string | undefined {
  const file = environment[`${name}_FILE`];
  return file === undefined ? environment[name] : readFileSync(file, "utf8").replace(/\r?\n$/, "");
}

/** How the connection is sealed. Throws where the environment says neither on nor off. */
function tlsOf({ BATHYGON_DB_TLS: on = "off", BATHYGON_DB_CA_FILE: ca }: NodeJS.ProcessEnv): DatabaseAddress["tls"] {
  if (on !== "on" && on !== "off") throw new Error(`BATHYGON_DB_TLS is ${on}; it is on or off`);
  if (on === "off") return null;
  return ca === undefined ? {} : { ca: readFileSync(ca, "utf8") };
}

export function databaseAddress(environment: NodeJS.ProcessEnv = process.env): DatabaseAddress {
  const port = Number(environment.BATHYGON_DB_PORT ?? 3306);
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Error("BATHYGON_DB_PORT is not a port number");
  return {
    host: environment.BATHYGON_DB_HOST ?? "127.0.0.1",
    port,
    user: environment.BATHYGON_DB_USER ?? "bathygon",
    password: fromFileOr(environment, "BATHYGON_DB_PASSWORD") ?? "",
    name: environment.BATHYGON_DB_NAME ?? "bathygon",
    tls: tlsOf(environment),
  };
}

/** Of the driver, unknown to the types of the query builder: JSON stays text until it is wanted, so that a large one that did not change is not read again. */
const driverOptions = { jsonStrings: true };

/** No statement of the application takes longer unless the database is ill: then the connection is given up. */
const LONGEST_STATEMENT_MS = 10_000;

type Callback = (error: { code?: string } | null, ...rest: unknown[]) => void;
interface DriverConnection {
  query: (options: object | string, ...rest: unknown[]) => unknown;
  destroy: () => void;
}

/** Gives up a connection on which a statement has stood still for so long: a database that was stopped or cut off says nothing. */
function boundStatements(connection: DriverConnection, longestMs: number): void {
  const query = connection.query.bind(connection);
  connection.query = (options, ...rest) => {
    const bounded = { timeout: longestMs, ...(typeof options === "string" ? { sql: options } : options) };
    const done = rest.at(-1);
    if (typeof done !== "function") return query(bounded, ...rest);
    return query(bounded, ...rest.slice(0, -1), ((error, ...result) => {
      if (error?.code === "PROTOCOL_SEQUENCE_TIMEOUT") connection.destroy();
      (done as Callback)(error, ...result);
    }) satisfies Callback);
  };
}

/** Opens a pool. Migrations may take as long as they take: `longestStatementMs` null. */
export function connect(
  address: DatabaseAddress,
  { longestStatementMs = LONGEST_STATEMENT_MS }: { readonly longestStatementMs?: number | null } = {},
): Database {
  return knex({
    client: "mysql2",
    connection: {
      host: address.host,
      port: address.port,
      user: address.user,
      password: address.password,
      database: address.name,
      // A certificate for another name is no better than none.
      ...(address.tls && { ssl: { ...address.tls, rejectUnauthorized: true, verifyIdentity: true } }),
      timezone: "Z",
      charset: "utf8mb4",
      supportBigNumbers: true,
      bigNumberStrings: true,
      ...driverOptions,
      connectTimeout: 4000,
    },
    pool: {
      min: 0,
      max: 8,
      afterCreate: (connection: DriverConnection, done: (error: null, made: DriverConnection) => void) => {
        if (longestStatementMs !== null) boundStatements(connection, longestStatementMs);
        done(null, connection);
      },
    },
    acquireConnectionTimeout: 5000,
  });
}

// One pool per process, also across the development server's module reloads.
const shared = globalThis as typeof globalThis & {
  bathygonDatabase?: Database;
  bathygonTransaction?: AsyncLocalStorage<Transaction>;
};
const current = (shared.bathygonTransaction ??= new AsyncLocalStorage<Transaction>());

/**
 * The database: inside a transaction that transaction, so that what is read there never waits for a second connection of the pool; else the process's
 * connection pool, opened at first use.
 */
export function database(): Database {
  return current.getStore() ?? (shared.bathygonDatabase ??= connect(databaseAddress()));
}

/** Runs work in a transaction; all that asks for `database()` meanwhile is in it too. */
export function transact<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
  return database().transaction((transaction) => current.run(transaction, () => work(transaction)));
}

/** A database that takes longer over nothing is as good as away. */
const LONGEST_LOOK_MS = 2500;

/** True when the database answers a trivial question. */
export async function databaseAnswers(): Promise<boolean> {
  try {
    await database().raw("select 1").timeout(LONGEST_LOOK_MS);
    return true;
  } catch (error) {
    console.error("The database is not answering:", (error as Error).message);
    return false;
  }
}

/** Makes the database of an address on its server if it is not there. For tests and scripts. */
export async function createDatabase(address: DatabaseAddress): Promise<void> {
  if (!/^\w+$/.test(address.name)) throw new Error("A database name has letters, digits and _ only");
  const server = connect({ ...address, name: "bathygon" });
  try {
    await server.raw("create database if not exists ?? character set utf8mb4 collate utf8mb4_unicode_ci", [
      address.name,
    ]);
  } finally {
    await server.destroy();
  }
}
