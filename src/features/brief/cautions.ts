import { curveFeel, type Settings } from "@/core";
import { toBeChecked, type Aircraft } from "@/contract";
import type { Step } from "@/syllabus";

/** What about this aircraft and these settings stands against flying the step, most serious first. */
export function cautionsFor(step: Step, aircraft: Aircraft, settings: Settings): string[] {
  const found: string[] = [];
  const { modes, rates, throttle } = settings;
  const why = toBeChecked(aircraft);
  if (why === "crashed")
    found.push(
      `${aircraft.name} crashed: check the propellers, measure the tilt and fly it by eye before goggles go on.`,
    );
  else if (why) found.push(`${aircraft.name} is ${why}: fly it by eye first, not in goggles.`);
  if (step.turnsOver) {
    const { axis, endRateDps } = step.turnsOver;
    const [low, high] = endRateDps;
    const end = Math.round(curveFeel(rates[axis]).endDps);
    const name = axis === "roll" ? "Roll" : "Pitch";
    if (modes.selfLevel) found.push("Self-level is on: the aircraft will not turn over. Switch it off for this.");
    else if (modes.bankLimitDeg !== null)
      found.push(
        `The bank limit of ${modes.bankLimitDeg}° keeps the aircraft from turning over. Take it off for this.`,
      );
    if (!modes.idleAuthority)
      found.push("Authority at idle is off: with the throttle closed the aircraft will not turn.");
    if (end < low)
      found.push(
        `${name} ends at ${end} °/s; this step wants ${low} to ${high}. It turns slowly and needs more height.`,
      );
    if (end > high)
      found.push(
        `${name} ends at ${end} °/s; this step wants ${low} to ${high} to begin with. It is easy to turn too far.`,
      );
  }
  if (throttle.limit.kind !== "off" && throttle.limit.fraction < 0.9) {
    found.push(
      `The throttle is limited to ${Math.round(100 * throttle.limit.fraction)} %: the way out has less power than the aircraft could give.`,
    );
  }
  return found;
}
