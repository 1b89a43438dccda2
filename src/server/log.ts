import "server-only";

/**
 * One line of the server's log: JSON with the time, the id of the request and what happened. Callers give no secrets; the causes of database
 * errors go through causeForLog first.
 */
export function log(level: "info" | "error", entry: Readonly<Record<string, unknown>>): void {
  const line = JSON.stringify({ at: new Date().toISOString(), level, ...entry });
  if (level === "error") console.error(line);
  else console.log(line);
}

/** What the log may know of an error. The message of a database error repeats the statement with its values; MariaDB's own words do not. */
export function causeForLog(error: unknown): Readonly<Record<string, unknown>> {
  const { code, sqlMessage, stack, message, name } = error as Error & { code?: string; sqlMessage?: string };
  const at = stack?.split("\n").filter((line) => line.startsWith("    at "));
  return sqlMessage === undefined ? { name, code, message, at } : { code, message: sqlMessage, at };
}
