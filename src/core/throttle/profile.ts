import { requireNumber, requireOneOf, risingCubicRoot } from "../numbers";

export type ThrottleLimitKind = "off" | "scale" | "clip";
/** Throttle stick 0..1 to motor command 0..1: softened round `mid` by expo, then limited. */
export interface ThrottleProfile {
  readonly mid: number;
  readonly expo: number;
  readonly limit: { readonly kind: ThrottleLimitKind; readonly fraction: number };
}

export const throttleLimitKinds: readonly ThrottleLimitKind[] = ["off", "scale", "clip"];
export const throttleRanges = {
  mid: [0, 1],
  expo: [0, 1],
  limitFraction: [0.25, 1],
} as const satisfies Record<string, readonly [number, number]>;

/** Returns the profile when in range, else throws a DomainError naming the field. */
export function requireThrottleProfile(profile: ThrottleProfile): ThrottleProfile {
  requireNumber("throttle.mid", profile?.mid, ...throttleRanges.mid);
  requireNumber("throttle.expo", profile.expo, ...throttleRanges.expo);
  requireOneOf("throttle.limit.kind", profile.limit?.kind, throttleLimitKinds);
  requireNumber("throttle.limit.fraction", profile.limit.fraction, ...throttleRanges.limitFraction);
  return profile;
}

/** Motor command 0..1 for a throttle stick 0..1. */
export function throttleOut(profile: ThrottleProfile, stick: number): number {
  requireThrottleProfile(profile);
  return throttleAtStick(profile, requireNumber("stick", stick, 0, 1));
}

/** `throttleOut` without the checks, for inner loops. out = mid + t(1−e + e·t²/y²), t = x − mid, y the room on that side. */
export function throttleAtStick({ mid, expo, limit }: ThrottleProfile, stick: number): number {
  const t = stick - mid;
  const room = t > 0 ? 1 - mid : mid;
  const out = t === 0 ? mid : mid + t * (1 - expo + expo * (t / room) * (t / room));
  switch (limit.kind) {
    case "off":
      return out;
    case "scale":
      return out * limit.fraction;
    case "clip":
      return Math.min(out, limit.fraction);
  }
}

/** Throttle stick 0..1 for a motor command. Throws a DomainError when the limit does not allow that command. */
export function stickForThrottle(profile: ThrottleProfile, out: number): number {
  requireThrottleProfile(profile);
  requireNumber("out", out, 0, throttleAtStick(profile, 1));
  return stickForThrottleClamped(profile, out);
}

/** The stick for a motor command, or full stick where the limit keeps it out of reach. No checks. */
export function stickForThrottleClamped(profile: ThrottleProfile, out: number): number {
  if (out <= 0) return 0;
  if (out > throttleAtStick(profile, 1)) return 1;
  const { mid, expo, limit } = profile;
  const above = (limit.kind === "scale" ? out / limit.fraction : out) - mid;
  const room = above > 0 ? 1 - mid : mid;
  const away = above === 0 ? 0 : room * risingCubicRoot(expo, 1 - expo, Math.abs(above) / room);
  return Math.max(0, Math.min(1, above > 0 ? mid + away : mid - away));
}
