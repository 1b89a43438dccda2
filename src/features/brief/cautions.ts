import { curveFeel, type Settings } from "@/core";
import { toBeChecked, type Aircraft } from "@/contract";
import { defectWords, lower, percent } from "@/words";
import { usualAt, type Step } from "@/syllabus";

/** A throttle limit this much below what is usual is worth a word. Ours. */
const LOWER_BY = 0.05;
/** By eye an aircraft that turns this much faster than usual outruns the thought. Ours. */
const FASTER_BY = 1.3;
const BY_EYE_STAGE = 1;

/** What about this aircraft and these settings stands against flying the step, of a stage, most serious first. What the stage itself proposes never does. */
export function cautionsFor(step: Step, stage: number, aircraft: Aircraft, settings: Settings): string[] {
  return [
    ...aircraftCautions(aircraft),
    ...(step.turnsOver ? turnCautions(step.turnsOver, settings) : []),
    ...modeCautions(step, settings),
    ...stageCautions(stage, settings),
  ];
}

function aircraftCautions(aircraft: Aircraft): string[] {
  // What older versions kept on a device knows of no defects.
  const defects = (aircraft.openDefects ?? []).map(
    (defect) => `${aircraft.name} has a defect: ${lower(defectWords(defect))}.`,
  );
  const why = toBeChecked(aircraft);
  if (why === null) return defects;
  return why === "crashed"
    ? [
        ...defects,
        `${aircraft.name} crashed: check the propellers, measure the tilt and fly it by eye before goggles go on.`,
      ]
    : [...defects, `${aircraft.name} is ${why}: fly it by eye first, not in goggles.`];
}

function turnCautions({ axis, endRateDps }: NonNullable<Step["turnsOver"]>, { modes, rates }: Settings): string[] {
  const [low, high] = endRateDps;
  const end = Math.round(curveFeel(rates[axis]).endDps);
  const name = axis === "roll" ? "Roll" : "Pitch";
  return [
    ...(modes.selfLevel
      ? ["Self-level is on: the aircraft will not turn over. Switch it off for this."]
      : modes.bankLimitDeg !== null
        ? [`The bank limit of ${modes.bankLimitDeg}° keeps the aircraft from turning over. Take it off for this.`]
        : []),
    ...(modes.idleAuthority ? [] : ["Idle authority is off: with the throttle closed the aircraft will not turn."]),
    ...(end < low
      ? [`${name} ends at ${end} °/s; this step needs ${low} to ${high}. It turns slowly and needs more height.`]
      : []),
    ...(end > high
      ? [`${name} ends at ${end} °/s; start this step with ${low} to ${high}. It is easy to turn too far.`]
      : []),
  ];
}

function modeCautions({ wants = {} }: Step, { modes, tiltDeg }: Settings): string[] {
  const { bankLimitDeg, selfLevel, mostTiltDeg } = wants;
  const isLimit = modes.bankLimitDeg === null ? "off" : `${modes.bankLimitDeg}°`;
  return [
    ...(selfLevel && !modes.selfLevel ? ["Self-level is off: this step is flown with it."] : []),
    ...(bankLimitDeg !== undefined && bankLimitDeg !== modes.bankLimitDeg
      ? [`The bank limit is ${isLimit}; this step is about ${bankLimitDeg === null ? "none" : `${bankLimitDeg}°`}.`]
      : []),
    ...(mostTiltDeg !== undefined && tiltDeg > mostTiltDeg
      ? [`The camera is tilted ${tiltDeg}°: above ${mostTiltDeg}° you lose sight of what you lean away from.`]
      : []),
  ];
}

function stageCautions(stage: number, { rates, throttle }: Settings): string[] {
  const usual = usualAt(stage);
  if (!usual) return [];
  const fastest = Math.round(Math.max(curveFeel(rates.roll).endDps, curveFeel(rates.pitch).endDps));
  const least = usual.throttleScale ?? 1;
  return [
    ...(stage <= BY_EYE_STAGE && fastest > FASTER_BY * usual.endDps
      ? [`It turns at up to ${fastest} °/s; by eye about ${usual.endDps} is usual. Lower the end rates first.`]
      : []),
    ...(throttle.limit.kind !== "off" && throttle.limit.fraction < least - LOWER_BY
      ? [
          `The throttle is limited to ${percent(throttle.limit.fraction)}: the bail-out has less power than the aircraft could give.`,
        ]
      : []),
  ];
}
