import { mkdirSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";

export const root = resolve(dirname(fileURLToPath(import.meta.url)), "../..");
/** Everything these scripts make; git ignores it. */
export const own = join(root, ".bathygon");

/** A folder below the project's own, made if it is not there. */
export function ownFolder(...names) {
  const folder = join(own, ...names);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return folder;
}
