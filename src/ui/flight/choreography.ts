import { indexAt, resolve, type Flight, type Phase, type Recipe } from "@/core";
import { stickModes } from "@/ui/sticks/modes";
import { percent as wholePercent, quantityText } from "@/words";

/** A phase of the trick as a numbered instruction. */
export interface Instruction {
  readonly number: number;
  /** Sample of the trace at which the sticks have come where this phase wants them. */
  readonly sample: number;
  readonly startS: number;
  /** Words before, figure, words after. */
  readonly text: string;
  readonly figure: string;
}

/** Time fingers take to arrive, so that a number stands where the stick went and not where it came from. */
const ARRIVAL_S = 0.1;
const percent = (share: number) => wholePercent(Math.abs(share));

/** The phases of a flown recipe as instructions for a stick mode, in order. */
export function instructionsFor({
  recipe,
  flight,
  stickMode,
}: {
  recipe: Recipe;
  flight: Flight;
  stickMode: number;
}): Instruction[] {
  const starts = recipe.phases.map(
    (phase) => flight.events.find((event) => event.kind === "phase" && event.detail === phase.id)?.timeS,
  );
  const durationS = flight.measures.durationS;
  return recipe.phases.flatMap((phase, i) => {
    const startS = starts[i];
    if (startS === undefined) return [];
    const endS = starts[i + 1] ?? durationS;
    const sample = indexAt(flight.trace, Math.max(startS, Math.min(startS + ARRIVAL_S, endS - 0.01)));
    const lastsS = endS - startS;
    return [{ number: i + 1, sample, startS, ...words({ phase, lastsS, recipe, flight, sample, stickMode }) }];
  });
}

/**
 * What is said of a phase, from what its sticks are planned to do: where they go; for one that turns at a rate the rate, for one that is eased what is
 * left of the stick; a wait with its time, the centring of a turn with its angle, and the catch with the throttle that holds it.
 */
function words(told: Told): { text: string; figure: string } {
  const { phase, lastsS, flight, sample, stickMode } = told;
  const { trace } = flight;
  const moved = deflections(trace, sample, stickMode);
  const centred = centring(told);
  if (centred) return centred;
  const eased = [phase.roll, phase.pitch, phase.yaw].find((stick) => stick?.kind === "ease");
  if (eased?.kind === "ease")
    return { text: phase.label, figure: `down to ${percent(resolve(told.recipe, eased.to))} of the stick` };
  const turning = (["roll", "pitch", "yaw"] as const).find((axis) => phase[axis]?.kind === "rate");
  if (turning && moved !== "") {
    const dps = Math.abs(trace[`${turning}Dps`][Math.min(sample + 20, trace.timeS.length - 1)]);
    return { text: `${phase.label}: ${moved}`, figure: quantityText(dps, "rate", "metric") };
  }
  const throttle = trace.stickThrottle[sample];
  const pushed = phase.throttle.kind === "thrust" && throttle > RESTS;
  const text = pushed ? `${phase.label}, throttle ${percent(throttle)}` : phase.label;
  if (moved !== "") return { text, figure: moved };
  if (phase.throttle.kind === "eye")
    return phase.id === told.recipe.turn?.catchPhase
      ? { text: phase.label, figure: `throttle ${percent(trace.stickThrottle[trace.timeS.length - 1])}` }
      : { text: phase.label, figure: "" };
  if (!phase.until.some(({ kind }) => kind === "time")) return { text: phase.label, figure: "" };
  return { text, figure: quantityText(lastsS, "time", "metric") };
}

interface Told {
  readonly phase: Phase;
  readonly lastsS: number;
  readonly recipe: Recipe;
  readonly flight: Flight;
  readonly sample: number;
  readonly stickMode: number;
}

/** The end of a turn that is centred at an angle: what is left it turns by itself. Null for every other phase. */
function centring({ phase, recipe }: Told): { text: string; figure: string } | null {
  const { turn, phases } = recipe;
  if (phase.id !== turn?.stopPhase) return null;
  const before = phases[phases.indexOf(phase) - 1]?.until.find(({ kind }) => kind === "turned");
  if (before?.kind !== "turned") return null;
  const at = Math.round(resolve(recipe, before.deg));
  const runsOnDeg = turn.deg - at;
  return {
    text: runsOnDeg > 0 ? `${phase.label}; it carries on ${runsOnDeg}° by itself` : phase.label,
    figure: `at ${at}°`,
  };
}

/** A stick nearer to its centre than this is not spoken of. */
const RESTS = 0.08;

/** Where the sticks of the turning axes are, in words: the hand, the way and how far. */
function deflections(trace: Flight["trace"], sample: number, stickMode: number): string {
  const hands = stickModes[stickMode];
  const said = (["roll", "pitch", "yaw"] as const).flatMap((axis) => {
    const at = { roll: trace.stickRoll, pitch: trace.stickPitch, yaw: trace.stickYaw }[axis][sample];
    if (Math.abs(at) < RESTS) return [];
    const hand = (["left", "right"] as const).find(
      (side) => hands[side].sideways === axis || hands[side].upright === axis,
    );
    const way = axis === "pitch" ? (at > 0 ? "back" : "forward") : at > 0 ? "right" : "left";
    return [`${hand} stick ${way} ${percent(at)}`];
  });
  return said.join(", ");
}
