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
  // Which way it rolls hangs on the side it swoops from.
  ["swoop-roll", ["roll", "unknown"]],
  ["gap-knife", ["knife-edge", "roll"]],
  ["box-tumble", ["tumble"]],
  ["hang", ["hang", "roll"]],
  ["split-s", ["split"]],
  ["loop-half", ["loop", "split"]],
  ["spin-in-loop", ["loop", "tumble", "spin-inverted"]],
  ["loop-", ["loop"]],
  // A quarter upside down, or the nose kept on something, turns hardly more than a flip held there.
  ["spin-inverted", ["spin-inverted", "flip", "hang"]],
  ["track-inverted", ["spin-inverted", "flip", "hang"]],
  // Too slow to be told from flying about.
  ["spin-track", []],
  ["spin-", ["spin"]],
  ["orbit-back", ["orbit-back"]],
  ["orbit", ["orbit"]],
  ["helix", ["helix"]],
  ["turn-brake", ["turn-about"]],
  ["rewind", ["turn-about", "spin", "brake"]],
  ["pitch-brake", ["brake"]],
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
