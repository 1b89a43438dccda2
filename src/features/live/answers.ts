import { readSettingsFile, type Settings } from "@/core";

/** What an aircraft says beside its frames. */
export type LineAnswer =
  | { readonly kind: "setup"; readonly settings: Settings; readonly saved: boolean; readonly modes: ModeSwitch | null }
  | { readonly kind: "modes"; readonly modes: ModeSwitch }
  | { readonly kind: "written" | "saved" }
  | { readonly kind: "refused"; readonly why: string };

/** The mode switch of a radio: what its places do, and where it stands. */
export interface ModeSwitch {
  readonly at: number;
  readonly places: readonly string[];
}

const LONGEST_WHY = 80;
const MOST_PLACES = 6;

/** A JSON line of a source; null for one that says nothing we know. */
export function readAnswer(line: string): LineAnswer | null {
  let said: unknown;
  try {
    said = JSON.parse(line);
  } catch {
    return null;
  }
  if (typeof said !== "object" || said === null) return null;
  const { setup, saved, written, refused, field, modes } = said as Readonly<Record<string, unknown>>;
  if (setup !== undefined) {
    const read = readSettingsFile(setup);
    return read.ok
      ? { kind: "setup", settings: read.settings, saved: saved === true, modes: modesOf(modes) }
      : { kind: "refused", why: `its ${read.problems[0].field} cannot be` };
  }
  const known = modesOf(modes);
  if (known) return { kind: "modes", modes: known };
  if (written === true) return { kind: "written" };
  if (saved === true) return { kind: "saved" };
  if (typeof refused === "string")
    return {
      kind: "refused",
      why: `${refused}${typeof field === "string" ? ` (${field})` : ""}`.slice(0, LONGEST_WHY),
    };
  return null;
}

function modesOf(said: unknown): ModeSwitch | null {
  if (typeof said !== "object" || said === null) return null;
  const { at, places } = said as Readonly<Record<string, unknown>>;
  if (!Array.isArray(places) || places.length === 0 || places.length > MOST_PLACES) return null;
  if (typeof at !== "number" || !(at in places)) return null;
  return { at, places: places.map((one) => String(one).slice(0, LONGEST_WHY)) };
}
