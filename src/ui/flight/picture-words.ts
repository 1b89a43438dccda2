import type { Flight, Recipe } from "@/core";
import { quantityText, type UnitSystem } from "@/words";

/** What a trick looks at, as it is called. */
function nameOf(recipe: Recipe): string {
  const { object, obstacles = [], ends, descentPhase } = recipe;
  if (ends === "landed" || descentPhase) return "the spot";
  const [first] = obstacles;
  if (first) return `the ${first.kind}`;
  return object && object.heightM === undefined ? "the marker" : "what it is flown round";
}

/** When and how far off what a trick looks at leaves the picture and comes back, with this lens and tilt; null where it looks at nothing. */
export function pictureWords({ looksAt }: Pick<Flight, "looksAt">, recipe: Recipe, units: UnitSystem): string | null {
  if (!looksAt) return null;
  const name = nameOf(recipe);
  const { out } = looksAt;
  if (out.length === 0) return `In the picture with this lens and tilt: ${name}, all the way.`;
  const at = (timeS: number, distanceM: number) =>
    `${quantityText(timeS, "time", units, 1)} in, ${quantityText(distanceM, "length", units)} off`;
  const spans = out.map(({ fromS, fromDistanceM, toS, toDistanceM }) => {
    const left =
      fromS === 0 ? "is out of the picture from the start" : `leaves the picture ${at(fromS, fromDistanceM)}`;
    return toS === null ? `${left}: from there it is flown blind` : `${left}, and is back ${at(toS, toDistanceM!)}`;
  });
  return `With this lens and tilt ${name} ${spans.join("; then it ")}.`;
}
