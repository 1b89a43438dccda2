import type { Airframe } from "../airframe";
import { STANDARD_GRAVITY_MPS2 } from "../atmosphere";
import type { Settings } from "../flight";
import { DEG_PER_RAD, DomainError, RAD_PER_DEG } from "../numbers";
import {
  atPace,
  headingHeld,
  heightHeld,
  heldStill,
  noDriftAside,
  PRACTISED_EYE,
  pitchHeld,
  type Obstacle,
  type Phase,
  type Recipe,
  type StickPlan,
} from "../recipes";
import { cruiseIfPossible, leanForSpeed, topSpeed } from "../sustained";
import type { Air } from "../atmosphere";
import type { Join } from "./line";

/** Slower than this nobody flies anywhere: it hovers, and turns on the spot. Ours. */
const STANDING_MPS = 2;
/** Banked no further, and turned no faster, between two tricks. Common practice, no source. */
const MOST_BANK_DEG = 45;
const MOST_TURN_DPS = 90;
/** Round something near it may be banked further. */
const MOST_BANK_ROUND_DEG = 60;
/** Lean that brakes to a hover, °. */
const BRAKE_LEAN_DEG = 30;
/** How long a turn is led by so that it ends where it should: the hands' delay and the way back to level, s. Ours. */
const TURN_LEAD_S = 0.45;
/** A climb is held to its height for so long before the next begins, s. Ours. */
const SETTLE_S = 1.2;
/** Of a hand on height, m/s. */
const CLIMB_MPS = 3;

/** How a join begins. */
export interface JoinEntry {
  /** Over the ground, along the nose. */
  readonly speedMps: number;
  /** Velocity of the air, along the nose and to the right. */
  readonly windAlongMps: number;
  readonly windAcrossMps: number;
  /** Of the anchor that it goes round, m ahead and to the right. */
  readonly anchor?: Obstacle;
}

/** A join as a recipe, to be flown on from where it begins. Throws a DomainError for what this aircraft cannot fly. */
export function joinRecipe(join: Join, entry: JoinEntry, aircraft: Airframe, settings: Settings, air: Air): Recipe {
  const { fastestMps, leanAt } = levelFlight(aircraft, entry, air);
  const standing = entry.speedMps < STANDING_MPS;
  const paceMps = Math.min(entry.speedMps, 0.95 * fastestMps);
  /** Straight on, the height held, so fast. */
  const straight = (mps: number, headingDeg = 0): Pick<Phase, "roll" | "pitch" | "yaw"> => ({
    ...(mps < STANDING_MPS ? heldStill : { roll: noDriftAside, pitch: atPace(mps, -leanAt(mps, headingDeg)) }),
    yaw: headingHeld(headingDeg),
  });
  const held = (id: string, label: string, s: number, mps: number, more: Partial<Phase> = {}): Phase => ({
    id,
    label,
    ...straight(mps),
    throttle: heightHeld(0),
    until: [{ kind: "time", s }],
    maxS: s + 1,
    ...more,
  });
  const made = (phases: readonly Phase[]): Recipe => ({
    id: `join-${join.kind}`,
    label: join.kind,
    start: { kind: "hover" },
    parameters: {},
    phases,
    turn: null,
    solveFor: [],
    abort: [],
    slip: {},
    ...(entry.anchor && { object: { alongM: entry.anchor.alongM, acrossM: entry.anchor.acrossM } }),
  });
  switch (join.kind) {
    case "on": {
      const mps = standing ? Math.min(fastestMps, leanSpeed(aircraft, settings, air)) : paceMps;
      const until = [{ kind: "along", is: "above", m: join.m }] as const;
      return made([{ ...held("on", "Fly on", 0, mps), until, maxS: 6 + (2 * join.m) / mps }]);
    }
    case "climb": {
      const rising = join.m > 0;
      const near = Math.max(0, Math.abs(join.m) - 0.5) * Math.sign(join.m);
      const climb: Phase = {
        ...held("climb", rising ? "Climb" : "Sink", 0, standing ? 0 : paceMps),
        throttle: heightHeld(join.m),
        until: [{ kind: "height", is: rising ? "above" : "below", m: near }],
        maxS: 4 + (2.5 * Math.abs(join.m)) / CLIMB_MPS,
      };
      return made([
        climb,
        held("level-off", "Level off", SETTLE_S, standing ? 0 : paceMps, { throttle: heightHeld(join.m) }),
      ]);
    }
    case "speed": {
      if (join.mps > fastestMps)
        throw new DomainError("mps", join.mps, `up to ${fastestMps.toFixed(1)} m/s, the fastest of this aircraft`);
      if (join.mps < STANDING_MPS) return made(stop(held, entry.speedMps, SETTLE_S));
      const faster = join.mps > entry.speedMps;
      return made([
        {
          ...held("speed", faster ? "Speed up" : "Slow down", 0, join.mps),
          until: [{ kind: "ahead", is: faster ? "above" : "below", mps: join.mps + (faster ? -0.3 : 0.3) }],
          maxS: 12,
        },
        held("steady", "Hold it", SETTLE_S, join.mps),
      ]);
    }
    case "hover":
      return made(stop(held, entry.speedMps, join.s));
    case "wait":
      return made([held("wait", "Wait", join.s, standing ? 0 : paceMps)]);
    case "turn":
      return made(turning(join.deg, standing ? 0 : paceMps, { leanAt, held, straight }, MOST_BANK_DEG, null));
    case "round": {
      const { anchor } = entry;
      if (!anchor) throw new DomainError("anchorId", join.anchorId, "an anchor of the line");
      const distanceM = Math.hypot(anchor.alongM, anchor.acrossM);
      const bankDeg = DEG_PER_RAD * Math.atan(paceMps ** 2 / (STANDARD_GRAVITY_MPS2 * Math.max(0.1, distanceM)));
      if (standing || bankDeg > MOST_BANK_ROUND_DEG)
        throw new DomainError(
          "speedMps",
          entry.speedMps,
          `${STANDING_MPS} to ${Math.sqrt(STANDARD_GRAVITY_MPS2 * distanceM * Math.tan(RAD_PER_DEG * MOST_BANK_ROUND_DEG)).toFixed(1)} m/s round something ${distanceM.toFixed(1)} m away`,
        );
      return made(turning(join.deg, paceMps, { leanAt, held, straight }, bankDeg, distanceM));
    }
  }
}

/** How something is flown level by this aircraft in this wind. */
interface Flying {
  readonly leanAt: (mps: number, headingDeg?: number) => number;
  readonly held: Held;
  readonly straight: (mps: number, headingDeg?: number) => Pick<Phase, "roll" | "pitch" | "yaw">;
}
type Held = (id: string, label: string, s: number, mps: number, more?: Partial<Phase>) => Phase;

/** Leant back until it stands, then held there. */
function stop(held: Held, speedMps: number, s: number): readonly Phase[] {
  const brake: Phase = {
    ...held("brake", "Lean back", 0, 0),
    pitch: pitchHeld(BRAKE_LEAN_DEG),
    until: [{ kind: "ahead", is: "below", mps: 1.5 }],
    maxS: 10,
  };
  const settle: Phase = {
    ...held("settle", "Level: to a stand", 0, 0),
    until: [{ kind: "ahead", is: "below", mps: 0.4 }],
    maxS: 5,
  };
  return [...(speedMps > STANDING_MPS ? [brake] : []), settle, held("hover", "Hover", s, 0)];
}

/** Banked round by so many degrees and level again; on the spot by the yaw stick while it stands. */
function turning(
  deg: number,
  speedMps: number,
  { leanAt, held, straight }: Flying,
  bankDeg: number,
  roundM: number | null,
): readonly Phase[] {
  const side = Math.sign(deg);
  if (deg === 0) return [held("straight", "Straight on", 0.1, speedMps)];
  const reached = (shortByDeg: number) =>
    ({
      kind: "heading",
      is: deg > 0 ? "above" : "below",
      deg: side * Math.max(0, Math.abs(deg) - shortByDeg),
    }) as const;
  if (speedMps === 0) {
    const rate: StickPlan = { kind: "rate", dps: side * MOST_TURN_DPS };
    return [
      held("turn", "Yaw round", 0, 0, {
        yaw: rate,
        until: [reached(MOST_TURN_DPS * 0.15)],
        maxS: 4 + Math.abs(deg) / 45,
      }),
      held("steady", "Stop it", 1, 0, { yaw: headingHeld(deg) }),
    ];
  }
  // A turn of this bank or of this rate, whichever is gentler: tan bank = v·ω/g.
  const lean = roundM === null ? Math.atan((speedMps * RAD_PER_DEG * MOST_TURN_DPS) / STANDARD_GRAVITY_MPS2) : Infinity;
  const banked = Math.min(RAD_PER_DEG * bankDeg, lean);
  const turnDps = (DEG_PER_RAD * STANDARD_GRAVITY_MPS2 * Math.tan(banked)) / speedMps;
  const pitchDeg = -leanAt(speedMps) * Math.cos(banked);
  // What an eye of this gain lags behind by while the body keeps turning about the vertical.
  const pitchDps = turnDps * Math.cos(RAD_PER_DEG * pitchDeg) * Math.sin(banked);
  const rollDps = -turnDps * Math.sin(RAD_PER_DEG * pitchDeg);
  const yawDps = turnDps * Math.cos(RAD_PER_DEG * pitchDeg) * Math.cos(banked);
  const around: Phase = {
    ...held("turn", "Bank round", 0, speedMps),
    roll: {
      kind: "eye",
      see: "bank",
      targetDeg: side * (DEG_PER_RAD * banked + rollDps / PRACTISED_EYE.gainPerS),
      ...PRACTISED_EYE,
      ...(roundM !== null && { keeps: { distanceM: roundM, degPerM: 5 * side, degPerMps: 6 * side, mostDeg: 20 } }),
    },
    pitch: {
      kind: "eye",
      see: "pitch",
      targetDeg: pitchDeg + pitchDps / PRACTISED_EYE.gainPerS,
      ...PRACTISED_EYE,
      stills: { degPerMps: 6, mostDeg: 15, paceMps: speedMps },
    },
    yaw: { kind: "rate", dps: side * yawDps },
    until: [reached(turnDps * TURN_LEAD_S)],
    maxS: 4 + (2 * Math.abs(deg)) / turnDps,
  };
  return [around, held("level", "Level", 1, speedMps, straight(speedMps, deg))];
}

/** How this aircraft flies level: the fastest, and the lean, back where that is negative, at a speed over the ground on a heading against the present one. */
function levelFlight(aircraft: Airframe, { windAlongMps, windAcrossMps }: JoinEntry, air: Air) {
  const fastestMps = topSpeed(aircraft, air).speedMps;
  const leanAt = (mps: number, headingDeg = 0): number => {
    const heading = RAD_PER_DEG * headingDeg;
    const airspeedMps = mps - (windAlongMps * Math.cos(heading) + windAcrossMps * Math.sin(heading));
    const flownMps = Math.min(Math.abs(airspeedMps), fastestMps);
    return flownMps < 0.5 ? 0 : Math.sign(airspeedMps) * leanForSpeed(aircraft, flownMps, air);
  };
  return { fastestMps, leanAt };
}

/** Speed with the horizon through the middle of the picture; a brisk walk where that cannot be flown. */
const leanSpeed = (aircraft: Airframe, { tiltDeg }: Settings, air: Air): number =>
  Math.max(STANDING_MPS, cruiseIfPossible(aircraft, tiltDeg, air)?.speedMps ?? 0);
