import type { Settings } from "../flight";
import { rateAtStick, rateRanges, type RateCurve } from "../rates";
import { withParameters, type Recipe } from "../recipes";
import { throttleRanges } from "../throttle";

/** Something a coach may let the search turn. */
export type KnobId = "end-rate" | "rate-expo" | "tilt" | "throttle-mid" | "throttle-expo" | "throttle-limit" | "ease";

export interface Knob {
  readonly id: KnobId;
  readonly label: string;
  readonly unit: "°/s" | "°" | "";
  readonly value: number;
  /** Widest bounds a coach may set. */
  readonly min: number;
  readonly max: number;
}

/** How the settings and the recipe stand when some knobs are turned. */
export interface Turned {
  readonly settings: Settings;
  readonly recipe: Recipe;
}

/** The name of the parameter that an eased turn leaves of the stick at its end; null where nothing is eased to one. */
function easedTo({ phases }: Recipe): string | null {
  for (const { roll, pitch, yaw } of phases)
    for (const stick of [roll, pitch, yaw])
      if (stick?.kind === "ease" && typeof stick.to === "object" && "param" in stick.to) return stick.to.param;
  return null;
}

/** The axis whose rates a trick is turned over with; pitch where nothing is turned over. */
const axisOf = ({ turn }: Recipe) => (turn?.axis === "roll" || turn?.axis === "view" ? "roll" : "pitch");

/** The knobs there are for a trick, at what they stand now. */
export function knobsOf(settings: Settings, recipe: Recipe): readonly Knob[] {
  const axis = axisOf(recipe);
  const curve = settings.rates[axis];
  const easing = easedTo(recipe);
  const ease = easing === null ? null : recipe.parameters[easing];
  const { limit } = settings.throttle;
  const name = axis === "roll" ? "Roll" : "Pitch";
  const plain = (id: KnobId, label: string, value: number, [min, max]: readonly [number, number]): Knob => ({
    id,
    label,
    unit: "",
    value,
    min,
    max,
  });
  return [
    { id: "end-rate", label: `${name}, end rate`, unit: "°/s", value: rateAtStick(curve, 1), min: 100, max: 1500 },
    plain("rate-expo", `${name}, expo`, curve.expo, rateRanges.expo),
    { id: "tilt", label: "Camera tilt", unit: "°", value: settings.tiltDeg, min: 0, max: 60 },
    plain("throttle-mid", "Throttle, middle", settings.throttle.mid, throttleRanges.mid),
    plain("throttle-expo", "Throttle, expo", settings.throttle.expo, throttleRanges.expo),
    ...(limit.kind === "off"
      ? []
      : [plain("throttle-limit", "Throttle, limit", limit.fraction, throttleRanges.limitFraction)]),
    ...(ease ? [plain("ease", "Stick left at the end", ease.value, [ease.min, ease.max])] : []),
  ];
}

/** Settings and recipe with knobs turned to these values. Throws a DomainError for a value out of its range. */
export function turnKnobs({ settings, recipe }: Turned, values: Readonly<Partial<Record<KnobId, number>>>): Turned {
  const axis = axisOf(recipe);
  const {
    "end-rate": endDps,
    "rate-expo": expo,
    tilt,
    "throttle-mid": mid,
    "throttle-expo": throttleExpo,
    "throttle-limit": fraction,
    ease,
  } = values;
  const { limit } = settings.throttle;
  const easing = easedTo(recipe);
  let curve = settings.rates[axis];
  if (endDps !== undefined) curve = withEndRate(curve, endDps);
  if (expo !== undefined) curve = { ...curve, expo };
  return {
    settings: {
      ...settings,
      rates: { ...settings.rates, [axis]: curve },
      tiltDeg: tilt ?? settings.tiltDeg,
      throttle: {
        ...settings.throttle,
        mid: mid ?? settings.throttle.mid,
        expo: throttleExpo ?? settings.throttle.expo,
        limit: { ...limit, fraction: fraction ?? limit.fraction },
      },
    },
    recipe: ease === undefined || easing === null ? recipe : withParameters(recipe, { [easing]: ease }),
  };
}

/** The same curve ending at another rate: as a whole where its end has no number of its own. */
function withEndRate(curve: RateCurve, endDps: number): RateCurve {
  if (curve.family !== "base-rise") return { ...curve, endDps };
  const [min, max] = rateRanges.base;
  // The rate grows with the base, straight up to 2 and steeper after it.
  let low: number = min;
  let high: number = max;
  for (let i = 0; i < 50; i++) {
    const middle = 0.5 * (low + high);
    if (rateAtStick({ ...curve, base: middle }, 1) < endDps) low = middle;
    else high = middle;
  }
  return { ...curve, base: high };
}
