import { randomUUID } from "node:crypto";

/** The id of a request in the log: what src/proxy.ts gave it, or a new one. What a visitor sends is never taken. */
export function requestIdOf(headers: Headers): string {
  return headers.get("x-bathygon-request") ?? randomUUID();
}
