import type { FoundTrick, TrickKind } from "@/core";
import type { Step } from "./types";

/** What a trick may be called in a recording, by its name or how that begins. The first that fits counts. */
const kinds: readonly (readonly [begins: string, kinds: readonly TrickKind[]])[] = [
  ["flip-", ["flip"]],
  ["segments", ["flip"]],
  ["speed-mix", ["flip"]],
  // Over the nose, held upside down and back.
  ["look-back", ["flip", "hang"]],
  ["roll-", ["roll"]],
  ["low-line", ["roll"]],
  ["yaw-snap", ["roll"]],
  ["swoop-roll", ["roll"]],
  ["gap-knife", ["knife-edge", "roll"]],
  ["box-tumble", ["tumble"]],
  ["hang", ["hang", "roll"]],
  ["split-s", ["split"]],
  ["loop-half", ["loop", "split"]],
  ["spin-in-loop", ["loop", "tumble"]],
  ["loop-", ["loop"]],
  ["spin-inverted", ["spin-inverted"]],
  ["track-inverted", ["spin-inverted"]],
  ["spin-", ["spin"]],
  ["orbit-back", ["orbit-back"]],
  ["orbit", ["orbit"]],
  ["helix", ["helix"]],
  ["turn-brake", ["turn-about"]],
  ["rewind", ["turn-about", "spin"]],
  ["pitch-brake", ["brake"]],
  ["stop-course", ["brake"]],
];
/** Kinds whose side in a recording is that of the syllabus. */
const sided: readonly TrickKind[] = ["flip", "roll", "spin", "hang", "split", "knife-edge", "turn-about", "helix"];
const sides: readonly string[] = ["back", "front", "right", "left"];

/** What an attempt at a step may be called in a recording; no kinds for what turns nothing. */
export function onTape(
  step: Pick<Step, "flownAs">,
  direction: string,
): { readonly kinds: readonly TrickKind[]; readonly direction: FoundTrick["direction"] | null } {
  const trick = step.flownAs?.trick;
  const found = trick === undefined ? undefined : kinds.find(([begins]) => trick.startsWith(begins));
  if (!found) return { kinds: [], direction: null };
  const told = sides.includes(direction) && found[1].every((kind) => sided.includes(kind));
  return { kinds: found[1], direction: told ? (direction as FoundTrick["direction"]) : null };
}
