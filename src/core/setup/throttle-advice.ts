import { hoverCommand, thrustFraction, type Airframe } from "../airframe";
import { STANDARD_GRAVITY_MPS2, type Air } from "../atmosphere";
import { RAD_PER_DEG, requireNumber } from "../numbers";
import { tipTravelMm, type StickTravel } from "../rates";
import { ownCruise } from "../sustained";
import { requireThrottleProfile, stickForThrottleClamped, throttleAtStick, type ThrottleProfile } from "../throttle";

/** One place on the throttle: a motor command and how it is reached. */
export interface ThrottlePoint {
  /** Motor command 0..1. */
  readonly command: number;
  /** Stick 0..1, or null where the limit keeps it out of reach. */
  readonly stick: number | null;
  /** Change of climb for a millimetre of stick tip, m/s² per mm. */
  readonly climbPerMm: number | null;
}

/** Hover and level cruise on the stick. */
export interface ThrottlePoints {
  readonly hover: ThrottlePoint;
  /** As the pilot cruises; null when the aircraft cannot fly level so. */
  readonly cruise: ThrottlePoint | null;
}

/** Where this aircraft hovers and cruises on the stick, and how finely it is held there. */
export function throttlePoints(
  profile: ThrottleProfile,
  airframe: Airframe,
  cruising: { readonly tiltDeg: number; readonly cruiseMps: number | null },
  air: Air,
  travel: StickTravel,
): ThrottlePoints {
  requireThrottleProfile(profile);
  const point = (command: number, leanDeg: number): ThrottlePoint => {
    if (throttleAtStick(profile, 1) < command) return { command, stick: null, climbPerMm: null };
    const stick = stickForThrottleClamped(profile, command);
    return { command, stick, climbPerMm: climbPerMm(profile, airframe, stick, leanDeg, travel) };
  };
  const level = ownCruise(airframe, cruising, air);
  return { hover: point(hoverCommand(airframe), 0), cruise: level && point(level.throttle, level.leanDeg) };
}

/** Vertical acceleration for a millimetre of the tip: g·W·f′(u)·du/ds·cos(lean) over the travel from stop to stop. */
function climbPerMm(
  profile: ThrottleProfile,
  airframe: Airframe,
  stick: number,
  leanDeg: number,
  travel: StickTravel,
): number {
  const h = 1e-4;
  const thrust = (at: number) => thrustFraction(airframe, Math.min(1, throttleAtStick(profile, at)));
  const [low, high] = [Math.max(0, stick - h), Math.min(1, stick + h)];
  const perStick = (thrust(high) - thrust(low)) / (high - low);
  const perWhole = STANDARD_GRAVITY_MPS2 * airframe.thrustToWeight * perStick * Math.cos(RAD_PER_DEG * leanDeg);
  return perWhole / (2 * tipTravelMm(travel));
}

/** The mid that puts the softest part of the stick on the cruise, not on the hover: out(mid) = mid, taken back through a scaling limit. */
export function proposedMid(profile: ThrottleProfile, cruiseCommand: number): number {
  requireNumber("cruiseCommand", cruiseCommand, 0, 1);
  const { kind, fraction } = requireThrottleProfile(profile).limit;
  return Math.min(1, kind === "scale" ? cruiseCommand / fraction : cruiseCommand);
}

/** Whether the soft part of the stick lies where the aircraft cruises. */
export interface MidVerdict {
  readonly kind: "on" | "too-low" | "too-high";
  /** Stick 0..1 between the mid and the cruise, positive when the cruise lies above. */
  readonly offBy: number;
  /** How many times faster the throttle answers at the cruise than at the mid. */
  readonly gainRatio: number;
}

/** Nearer than this the mid counts as on the cruise. Our choice: about a millimetre of stick. */
const ON_CRUISE = 0.05;

/** Compares the mid with the stick of the cruise. Away from mid the curve is steeper, so small corrections come out large: the height pumps. */
export function midVerdict(profile: ThrottleProfile, cruiseStick: number): MidVerdict {
  requireThrottleProfile(profile);
  requireNumber("cruiseStick", cruiseStick, 0, 1);
  const offBy = cruiseStick - profile.mid;
  const slope = (at: number) => {
    const h = 1e-4;
    const [low, high] = [Math.max(0, at - h), Math.min(1, at + h)];
    return (throttleAtStick(profile, high) - throttleAtStick(profile, low)) / (high - low);
  };
  const atMid = slope(profile.mid);
  return {
    kind: Math.abs(offBy) <= ON_CRUISE ? "on" : offBy > 0 ? "too-low" : "too-high",
    offBy,
    gainRatio: atMid > 1e-9 ? slope(cruiseStick) / atMid : Infinity,
  };
}

/** What a throttle limit does. */
export interface LimitEffect {
  /** Motor command at full stick. */
  readonly topCommand: number;
  /** Upward acceleration of a punch at full stick from rest, in g; negative when it does not lift. */
  readonly punchG: number;
  /** Stick 0..1 above which nothing more happens; 1 unless the limit clips. */
  readonly deadAbove: number;
}

export function limitEffect(profile: ThrottleProfile, airframe: Airframe): LimitEffect {
  requireThrottleProfile(profile);
  const topCommand = throttleAtStick(profile, 1);
  return {
    topCommand,
    punchG: airframe.thrustToWeight * thrustFraction(airframe, topCommand) - 1,
    deadAbove: profile.limit.kind === "clip" ? stickForThrottleClamped(profile, profile.limit.fraction) : 1,
  };
}

/** Throttle expo by how one flies, softest first (common practice for "up to 0.8 slow indoors"; the steps between are ours). */
export const throttleExpoByFlying = [
  { flying: "slow, indoors", expo: 0.8 },
  { flying: "close and technical", expo: 0.6 },
  { flying: "freestyle with room", expo: 0.4 },
  { flying: "fast, in the open", expo: 0.2 },
] as const;
