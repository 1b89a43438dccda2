import type { ShownRow } from "./shown";

/** What comes next with a pilot, and where that is done. */
export function nextOf({ aircraftName, setupNumber, glance }: ShownRow): {
  readonly says: string;
  readonly path: string;
} {
  if (aircraftName === null) return { says: "Add aircraft", path: "/setup" };
  if (setupNumber === null) return { says: "Make setup", path: "/setup" };
  return glance.current?.advice.kind === "advance"
    ? { says: "Sign off", path: "/pilot" }
    : { says: "Brief", path: "/brief" };
}
