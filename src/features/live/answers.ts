import { readSettingsFile, type Settings } from "@/core";

/** What an aircraft says beside its frames. */
export type LineAnswer =
  | { readonly kind: "setup"; readonly settings: Settings; readonly saved: boolean }
  | { readonly kind: "written" | "saved" }
  | { readonly kind: "refused"; readonly why: string };

const LONGEST_WHY = 80;

/** A JSON line of a source; null for one that says nothing we know. */
export function readAnswer(line: string): LineAnswer | null {
  let said: unknown;
  try {
    said = JSON.parse(line);
  } catch {
    return null;
  }
  if (typeof said !== "object" || said === null) return null;
  const { setup, saved, written, refused, field } = said as Readonly<Record<string, unknown>>;
  if (setup !== undefined) {
    const read = readSettingsFile(setup);
    return read.ok
      ? { kind: "setup", settings: read.settings, saved: saved === true }
      : { kind: "refused", why: `its ${read.problems[0].field} cannot be` };
  }
  if (written === true) return { kind: "written" };
  if (saved === true) return { kind: "saved" };
  if (typeof refused === "string")
    return {
      kind: "refused",
      why: `${refused}${typeof field === "string" ? ` (${field})` : ""}`.slice(0, LONGEST_WHY),
    };
  return null;
}
