import { rounded } from "@/core";
import type { FlownTrick, Settings } from "@/core";
import type { MeasureName } from "@/syllabus";
import { measureNames } from "@/ui/flight/measure-names";
import { differencesInWords } from "@/ui/settings/differences";
import { quantityText, type Quantity, type UnitSystem } from "@/words";

/** Two flights differ in a figure when it moves by more than this share of the larger, and by more than the last digit shown. */
const TELLING_SHARE = 0.03;
const TELLING = { time: 0.03, angle: 1.5, length: 0.1, speed: 0.2, thrust: 0.1, share: 0.015 } as const;

/** What another setup, school or direction changes: the settings that differ, then what the flight does otherwise. */
export function comparedInWords(
  { trick, settings }: { trick: FlownTrick; settings: Settings },
  other: { trick: FlownTrick; settings: Settings },
  looksAt: readonly MeasureName[],
  units: UnitSystem,
): { readonly settings: readonly string[]; readonly flight: readonly string[] } {
  const flight: string[] = [...figuresSet(trick, other.trick)];
  const [seen, seenOther] = [exitSeenS(trick, settings), exitSeenS(other.trick, other.settings)];
  if (seen !== null && seenOther !== null && Math.abs(seenOther - seen) > TELLING.time) {
    const by = quantityText(Math.abs(seenOther - seen), "time", units, 1);
    flight.push(`sees the exit ${by} ${seenOther < seen ? "sooner" : "later"}`);
  }
  for (const name of looksAt) {
    const words = measureNames[name];
    const [was, is] = [trick.flight.measures[name], other.trick.flight.measures[name]];
    if (words && was !== null && is !== null) flight.push(...change(words.name, was, is, words.quantity));
  }
  return { settings: differencesInWords(settings, other.settings), flight };

  function change(name: string, was: number, is: number, quantity: Quantity): string[] {
    const least = TELLING[quantity as keyof typeof TELLING] ?? 0;
    if (Math.abs(is - was) < Math.max(least, TELLING_SHARE * Math.max(Math.abs(is), Math.abs(was)))) return [];
    return [
      `${name.charAt(0).toLowerCase()}${name.slice(1)} ${quantityText(was, quantity, units)} → ${quantityText(is, quantity, units)}`,
    ];
  }
}

/** Figures of one and the same trick that stand otherwise and are not worked out. */
function figuresSet({ recipe }: FlownTrick, { recipe: other }: FlownTrick): string[] {
  if (recipe.id !== other.id) return [];
  return Object.entries(recipe.parameters).flatMap(([name, { label, unit, value }]) => {
    const there = other.parameters[name].value;
    if (there === value || recipe.solveFor.some(({ param }) => param === name)) return [];
    const space = unit === "" || unit === "°" ? "" : " ";
    const text = (figure: number) => `${rounded(figure, 2)}${space}${unit}`;
    return [`${label.charAt(0).toLowerCase()}${label.slice(1)} ${text(value)} → ${text(there)}`];
  });
}

/**
 * When the way out of the trick comes into the picture: the last time the level horizon enters the frame after having left it. Null when it never
 * leaves, or never comes back.
 */
function exitSeenS({ flight: { trace } }: FlownTrick, settings: Settings): number | null {
  const half = settings.camera.verticalFovDeg / 2;
  const inFrame = (i: number) => Math.abs(trace.viewElevationDeg[i]) < half && Math.abs(trace.horizonSlopeDeg[i]) < 90;
  for (let i = trace.timeS.length - 1; i > 0; i--) {
    if (!inFrame(i)) return i === trace.timeS.length - 1 ? null : trace.timeS[i + 1];
  }
  return null;
}
