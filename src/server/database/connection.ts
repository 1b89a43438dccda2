import "server-only";
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
}

export function databaseAddress(environment: NodeJS.ProcessEnv = process.env): DatabaseAddress {
  const port = Number(environment.BATHYGON_DB_PORT ?? 3306);
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Error("BATHYGON_DB_PORT is not a port number");
  return {
    host: environment.BATHYGON_DB_HOST ?? "127.0.0.1",
    port,
    user: environment.BATHYGON_DB_USER ?? "bathygon",
    password: environment.BATHYGON_DB_PASSWORD ?? "",
    name: environment.BATHYGON_DB_NAME ?? "bathygon",
  };
}

/** Of the driver, unknown to the types of the query builder: JSON stays text until it is wanted, so that a large one that did not change is not read again. */
const driverOptions = { jsonStrings: true };

export function connect(address: DatabaseAddress): Database {
  return knex({
    client: "mysql2",
    connection: {
      host: address.host,
      port: address.port,
      user: address.user,
      password: address.password,
      database: address.name,
      timezone: "Z",
      charset: "utf8mb4",
      supportBigNumbers: true,
      bigNumberStrings: true,
      ...driverOptions,
      connectTimeout: 4000,
    },
    pool: { min: 0, max: 8 },
    acquireConnectionTimeout: 5000,
  });
}

// One pool per process, also across the development server's module reloads.
const shared = globalThis as typeof globalThis & { bathygonDatabase?: Database };

/** The process's connection pool, opened at first use. */
export function database(): Database {
  return (shared.bathygonDatabase ??= connect(databaseAddress()));
}

/** True when the database answers a trivial question. */
export async function databaseAnswers(): Promise<boolean> {
  try {
    await database().raw("select 1");
    return true;
  } catch (error) {
    console.error("The database does not answer:", (error as Error).message);
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
