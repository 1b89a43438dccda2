import "server-only";
import { database, databaseAnswers, migrationsMissing } from "./database";

/** Whether a process may be sent requests, and why not. */
export type Readiness =
  | { readonly ready: true }
  | { readonly ready: false; readonly why: "stopping" | "database away" | "migrations missing" };

/** Set by the start script when the process was told to stop: nothing new is to come here. */
const stopping = () => (globalThis as { bathygonStopping?: boolean }).bathygonStopping === true;

// Once the tables are up to date they stay so for this process: a newer version is another process.
let upToDate = false;

/** Ready when the database answers with every table this version knows, and the process is not stopping. */
export async function readiness(): Promise<Readiness> {
  if (stopping()) return { ready: false, why: "stopping" };
  if (!(await databaseAnswers())) return { ready: false, why: "database away" };
  upToDate ||= (await migrationsMissing(database())).length === 0;
  return upToDate ? { ready: true } : { ready: false, why: "migrations missing" };
}
