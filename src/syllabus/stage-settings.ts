import {
  rounded,
  type Air,
  type Airframe,
  ownCruise,
  curveFeel,
  DomainError,
  dpsPerMillimetre,
  proposedMid,
  requireSettings,
  SEA_LEVEL_AIR,
  type Settings,
  type stickTravelByGrip,
  type ThrottleProfile,
  tipTravelMm,
  rateAtStick,
  stickTravelOf,
} from "@/core";
import { reachingEnd, withCentre } from "./shaped-curve";
import { routeOf, sideOf, type School } from "./schools";
import type { Route } from "./types";
import { byStage, type StageSettings } from "./usual-settings";

/** Which way a pilot's school goes where that changes the settings. */
export interface SettingsSchool {
  /** One camera angle for ever, or raised by stage. */
  readonly tilt: "fixed" | "by-stage";
  readonly route: Route;
  /** Left out for every axis to comfort, mixed by hand, all at once. */
  readonly yawMatch?: "matched" | "comfort";
  readonly mixing?: "hand" | "controller";
  readonly tuning?: "throttle" | "rates";
}

/** The school's choices that change the settings. */
export const settingsSchoolOf = (school: School): SettingsSchool => ({
  tilt: sideOf(school, "tilt").id as SettingsSchool["tilt"],
  route: routeOf(school),
  yawMatch: sideOf(school, "yaw-match").id as SettingsSchool["yawMatch"],
  mixing: sideOf(school, "mixing").id as SettingsSchool["mixing"],
  tuning: sideOf(school, "tuning").id as SettingsSchool["tuning"],
});

/** One thing that settings could be, with what speaks for it. */
export interface SettingsProposal {
  readonly id: string;
  readonly what: string;
  readonly now: string;
  readonly wanted: string;
  readonly reason: string;
  /** Not yet: what the school tunes first comes first. */
  readonly waits?: boolean;
  /** The settings with only this changed. */
  readonly apply: (settings: Settings) => Settings;
}

/** What is known of a pilot's hands; null for what nobody measured. */
export interface Hands {
  readonly grip: keyof typeof stickTravelByGrip;
  /** From the pivot to where the hand holds the stick. */
  readonly stickLengthMm: number | null;
  /** Share of the stick's way that is reached when all of it is meant. */
  readonly reachShare: number | null;
  /** Their own cruise, m/s. */
  readonly cruiseMps: number | null;
}

/** Settings for somebody's first aircraft: usual at their stage in every part. */
export const settingsToBegin = (...asked: Parameters<typeof settingsProposals>): Settings =>
  settingsProposals(...asked).reduce((settings, { apply }) => apply(settings), asked[0]);

/** What the settings of an aircraft could be at a stage, only where they are not so already. An end rate within a tenth is left alone. */
export function settingsProposals(
  settings: Settings,
  airframe: Airframe,
  stage: number,
  school: SettingsSchool,
  hands: Hands,
  air: Air = SEA_LEVEL_AIR,
): readonly SettingsProposal[] {
  requireSettings(settings);
  const wanted = byStage[stage];
  if (!wanted) throw new DomainError("stage", stage, `0 to ${byStage.length - 1}`);
  const tiltDeg = school.tilt === "fixed" ? settings.tiltDeg : wanted.tiltDeg;
  const bankLimitDeg = school.route === "rate-mode" ? null : wanted.bankLimitDeg;
  const selfLevel = school.route === "self-level" && stage <= 1;
  const mixAngleDeg = school.mixing === "controller" && stage >= MIXED_FROM_STAGE ? tiltDeg : null;
  const ends = endRates(
    settings,
    wanted,
    hands.reachShare ?? 1,
    school.yawMatch === "matched" && tiltDeg >= MATCHED_FROM_DEG ? tiltDeg : null,
  );
  const all: readonly SettingsProposal[] = [
    ...ends,
    // As the curves are once their ends are right.
    ...centres(
      ends.reduce((now, { apply }) => apply(now), settings),
      stage,
      hands,
    ),
    ...one("tilt", "Camera tilt", `${settings.tiltDeg}°`, `${tiltDeg}°`, `usual here: ${wanted.tiltWords}`, (now) => ({
      ...now,
      tiltDeg,
    })),
    ...limit(settings, wanted),
    ...mid(settings, airframe, { tiltDeg, cruiseMps: hands.cruiseMps }, wanted, air),
    ...one(
      "expo",
      "Throttle expo",
      settings.throttle.expo.toFixed(2),
      wanted.throttleExpo.toFixed(2),
      "softens the throttle round the cruise",
      (now) => ({
        ...now,
        throttle: { ...now.throttle, expo: wanted.throttleExpo },
      }),
    ),
    ...one(
      "bank",
      "Bank limit",
      degrees(settings.modes.bankLimitDeg),
      degrees(bankLimitDeg),
      bankReason(bankLimitDeg),
      (now) => ({
        ...now,
        modes: { ...now.modes, bankLimitDeg },
      }),
    ),
    ...one(
      "level",
      "Self-level",
      onOff(settings.modes.selfLevel),
      onOff(selfLevel),
      selfLevel ? "your route begins so" : "from here the pilot levels",
      (now) => ({
        ...now,
        modes: { ...now.modes, selfLevel },
      }),
    ),
    ...(school.mixing === undefined
      ? []
      : one(
          "mix",
          "Mixing for the camera",
          degrees(settings.modes.mixAngleDeg ?? null),
          degrees(mixAngleDeg),
          mixAngleDeg === null ? "yaw and roll by hand" : "the flight controller mixes yaw and roll for this tilt",
          (now) => ({ ...now, modes: { ...now.modes, mixAngleDeg } }),
        )),
    ...(stage >= 4
      ? one(
          "idle",
          "Idle authority",
          onOff(settings.modes.idleAuthority),
          "on",
          "a flip at closed throttle does not happen without it",
          (now) => ({
            ...now,
            modes: { ...now.modes, idleAuthority: true },
          }),
        )
      : []),
  ];
  return stage < TUNED_FROM_STAGE ? all : inOrder(all, school.tuning);
}

/** A first aircraft is set up whole; from here one thing is tuned after the other. */
const TUNED_FROM_STAGE = 2;
/** Before this nobody mixes anything. */
const MIXED_FROM_STAGE = 2;
const isThrottle = (id: string) => id === "mid" || id === "expo";
const isRates = (id: string) => id.startsWith("end-") || id.startsWith("centre-");

/** What the school tunes later waits until what it tunes first is as it should be. */
function inOrder(all: readonly SettingsProposal[], tuning: SettingsSchool["tuning"]): readonly SettingsProposal[] {
  if (!tuning) return all;
  const [first, later] = tuning === "throttle" ? [isThrottle, isRates] : [isRates, isThrottle];
  const busy = all.some(({ id }) => first(id));
  return all.map((proposal) => (busy && later(proposal.id) ? { ...proposal, waits: true } : proposal));
}

function one(
  id: string,
  what: string,
  now: string,
  wanted: string,
  reason: string,
  apply: SettingsProposal["apply"],
): SettingsProposal[] {
  return now === wanted ? [] : [{ id, what, now, wanted, reason, apply }];
}

/** Yaw is flown a little slower than the others, or so fast that equal sticks turn flat at a tilt: yaw = roll / tan(tilt). */
function yawEnd(endDps: number, flatAtDeg: number | null): number {
  const target =
    flatAtDeg === null ? 0.8 * endDps : Math.min(MOST_YAW_DPS, endDps / Math.tan((Math.PI / 180) * flatAtDeg));
  return Math.round(target / 10) * 10;
}
/** With less tilt the yaw that equal sticks ask for is beyond any hand. */
const MATCHED_FROM_DEG = 20;
/** Quicker yaw than this nobody wants, whatever the match says. Ours. */
const MOST_YAW_DPS = 1200;

/** End rates usual at a stage, as far as the hand goes: who never reaches the stop gets a faster end. */
function endRates(
  settings: Settings,
  { endDps, why }: StageSettings,
  reach: number,
  flatAtDeg: number | null,
): SettingsProposal[] {
  return (["roll", "pitch", "yaw"] as const).flatMap((axis) => {
    const target = axis === "yaw" ? yawEnd(endDps, flatAtDeg) : endDps;
    const curve = settings.rates[axis];
    if (Math.abs(rateAtStick(curve, reach) - target) <= 0.1 * target) return [];
    const wanted = reachingEnd(curve, target, reach);
    const [now, then] = [curve, wanted].map((one) => `${Math.round(curveFeel(one).endDps)} °/s`);
    const reason =
      reach === 1 ? why : `${why}; ${Math.round(100 * reach)}\u202f% of the stick is reached, so ${target} °/s there`;
    return one(`end-${axis}`, `End rate, ${axis}`, now, then, reason, (from) => ({
      ...from,
      rates: { ...from.rates, [axis]: reachingEnd(from.rates[axis], target, reach) },
    }));
  });
}

/** Most turning rate for a millimetre of stick at the centre, °/s per mm: a learner's, and from the flips on. Ours; hands differ. */
const MOST_PER_MM = { learning: 14, flying: 22 } as const;

/** A hand that moves the stick tip little wants softer centres: only where its stick was measured. */
function centres(settings: Settings, stage: number, { grip, stickLengthMm }: Hands): SettingsProposal[] {
  if (stickLengthMm === null) return [];
  const most = stage < 4 ? MOST_PER_MM.learning : MOST_PER_MM.flying;
  const travel = stickTravelOf({ grip, stickLengthMm });
  return (["roll", "pitch", "yaw"] as const).flatMap((axis) => {
    const now = dpsPerMillimetre(settings.rates[axis], 0, travel);
    if (now <= 1.02 * most) return [];
    const reason = `held ${stickLengthMm} mm up the stick, a millimetre at the centre already turns that much`;
    return one(
      `centre-${axis}`,
      `Centre, ${axis}`,
      `${now.toFixed(0)} °/s per mm`,
      `${most} °/s per mm`,
      reason,
      (from) => ({
        ...from,
        rates: { ...from.rates, [axis]: withCentre(from.rates[axis], most * tipTravelMm(travel)) },
      }),
    );
  });
}

function limit(settings: Settings, { throttleScale }: StageSettings): SettingsProposal[] {
  const { limit: now } = settings.throttle;
  const words = (fraction: number | null, kind: string) =>
    fraction === null ? "off" : `${kind} ${Math.round(100 * fraction)}\u202f%`;
  return one(
    "limit",
    "Throttle limit",
    words(now.kind === "off" ? null : now.fraction, now.kind),
    words(throttleScale, "scale"),
    throttleScale === null
      ? "the punch needs all of it"
      : "all of the stick, less of the power: 60–70\u202f%, then 85, then off",
    (from) => ({
      ...from,
      throttle: {
        ...from.throttle,
        limit: limitOf(throttleScale),
      },
    }),
  );
}

function mid(
  settings: Settings,
  airframe: Airframe,
  cruising: Cruising,
  { throttleScale }: StageSettings,
  air: Air,
): SettingsProposal[] {
  // Through the limit that is proposed beside it.
  const limited = { ...settings.throttle, limit: limitOf(throttleScale) };
  const wanted = cruiseMid(limited, airframe, cruising, air);
  if (wanted === null || Math.abs(wanted - settings.throttle.mid) <= 0.02) return [];
  const reason =
    cruising.cruiseMps === null
      ? "softest where this aircraft cruises at that tilt"
      : "softest where this pilot cruises with it";
  return one("mid", "Throttle mid", settings.throttle.mid.toFixed(2), wanted.toFixed(2), reason, (from) => ({
    ...from,
    throttle: { ...from.throttle, mid: wanted },
  }));
}

const limitOf = (throttleScale: number | null): ThrottleProfile["limit"] =>
  throttleScale === null ? { kind: "off", fraction: 1 } : { kind: "scale", fraction: throttleScale };

type Cruising = Parameters<typeof ownCruise>[1];

/** The mid on the cruise, or null for an aircraft that cannot cruise level so. */
function cruiseMid(profile: ThrottleProfile, airframe: Airframe, cruising: Cruising, air: Air): number | null {
  const level = ownCruise(airframe, cruising, air);
  return level && rounded(proposedMid(profile, level.throttle), 2);
}

const degrees = (value: number | null) => (value === null ? "none" : `${value}°`);
const onOff = (value: boolean) => (value ? "on" : "off");
const bankReason = (limitDeg: number | null) =>
  limitDeg === null ? "everything from here leaves it behind" : "a learner's limit: 30, 45, 60, then off";
