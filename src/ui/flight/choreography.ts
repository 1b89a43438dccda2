import { indexAt, recipes, resolve, type Flight, type Phase, type Recipe } from "@/core";
import { stickModes } from "@/ui/sticks/modes";
import { capital } from "@/words";

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
const percent = (share: number) => `${Math.round(100 * Math.abs(share))} %`;

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

function words({
  phase,
  lastsS,
  recipe,
  flight: { trace },
  sample,
  stickMode,
}: {
  phase: Phase;
  lastsS: number;
  recipe: Recipe;
  flight: Flight;
  sample: number;
  stickMode: number;
}): { text: string; figure: string } {
  const moved = deflections(trace, sample, stickMode);
  const spoken = { text: phase.label, figure: moved };
  // A coach's own way is told in the coach's own words; a wait, or a throttle held, with its time.
  if (!recipes[recipe.id]) {
    const timed = moved === "" && phase.until.some(({ kind }) => kind === "time") && phase.throttle.kind !== "eye";
    return timed ? { ...spoken, figure: `${lastsS.toFixed(2)} s` } : spoken;
  }
  const hand = stickModes[stickMode].right.upright === "pitch" ? "right" : "left";
  const parameter = (name: string) => resolve(recipe, { param: name });
  const pitch = trace.stickPitch[sample];
  const way = pitch >= 0 ? "back" : "forward";
  switch (phase.id) {
    case "punch":
      if (recipe.start.kind !== "hover") break;
      return {
        text: `Punch, level, stick at ${percent(trace.stickThrottle[sample])}`,
        figure: `${parameter("punchS").toFixed(2)} s`,
      };
    case "close":
      return { text: "Close the throttle and wait", figure: `${parameter("closeS").toFixed(2)} s` };
    case "turn":
      if (recipe.turn?.axis !== "pitch") break;
      return phase.pitch?.kind === "rate"
        ? {
            text: `${capital(hand)} stick ${way}, a little: ${percent(pitch)}`,
            figure: `${Math.round(Math.abs(trace.pitchDps[Math.min(sample + 20, trace.timeS.length - 1)]))} °/s`,
          }
        : { text: `${capital(hand)} stick ${way}`, figure: percent(pitch) };
    case "ease":
      if (recipe.parameters.easeStick === undefined) break;
      return { text: "Ease the stick out to", figure: percent(parameter("easeStick")) };
    case "stop": {
      if (recipe.turn?.axis !== "pitch") break;
      const at = Math.round(parameter("centreDeg"));
      return { text: `Centre it; it carries on ${360 - at}° by itself`, figure: `at ${at}°` };
    }
    case "catch":
      if (recipe.turn?.axis !== "pitch" || recipe.start.kind !== "hover") break;
      return { text: "Horizon back: open to the hover", figure: percent(trace.stickThrottle[trace.timeS.length - 1]) };
  }
  return spoken;
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
