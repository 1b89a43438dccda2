import "server-only";

const LONGEST_STACK = 6;

/**
 * One line of the server's log: JSON with the time, the id of the request and what happened. Callers give no secrets; the causes of database
 * errors go through causeForLog first.
 */
export function log(level: "info" | "error", entry: Readonly<Record<string, unknown>>): void {
  const line = JSON.stringify({ at: new Date().toISOString(), level, ...entry });
  if (level === "error") console.error(line);
  else console.log(line);
}

/**
 * What the log may know of an error. The message of an error of the database repeats the statement with its values before " - "; what stands
 * behind it, MariaDB's or the connection's own words, does not.
 */
export function causeForLog(error: unknown): Readonly<Record<string, unknown>> {
  const { code, sqlMessage, stack, message, name } = error as Error & { code?: string; sqlMessage?: string };
  const words = sqlMessage ?? (code === undefined ? message : message.split(" - ").at(-1));
  const at = stack
    ?.split("\n")
    .filter((line) => line.startsWith("    at "))
    .map((line) => line.slice(7))
    .slice(0, LONGEST_STACK);
  return { name, code, message: words, at };
}
