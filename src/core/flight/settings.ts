import { DomainError, requireNumber } from "../numbers";
import { rateParameters, requireRateCurve, type AxisRates, type RateCurve } from "../rates";
import { requireThrottleProfile, type ThrottleProfile } from "../throttle";

/** Lens of the camera on board. */
export interface Lens {
  readonly verticalFovDeg: number;
  readonly aspect: number;
}

/** Flight-controller modes. Bank limit and self-level exist for learning. */
export interface Modes {
  /** Keeps turning authority at closed throttle by raising the mean thrust. */
  readonly idleAuthority: boolean;
  /** Largest bank and pitch the sticks can reach, 10–80°, or null for none. */
  readonly bankLimitDeg: number | null;
  /** A held stick is an angle instead of a turning rate; the limit is bankLimitDeg, or 45°. */
  readonly selfLevel: boolean;
  /** Camera angle for which the controller mixes roll and yaw, so that each stick turns about an axis of the picture; null or absent for none. */
  readonly mixAngleDeg?: number | null;
}

/** Everything a pilot sets on an aircraft. */
export interface Settings {
  readonly rates: AxisRates;
  readonly throttle: ThrottleProfile;
  /** Camera up-tilt, degrees. */
  readonly tiltDeg: number;
  readonly camera: Lens;
  readonly modes: Modes;
}

export const settingsRanges = {
  tiltDeg: [0, 80],
  verticalFovDeg: [30, 150],
  aspect: [0.5, 3],
  bankLimitDeg: [10, 80],
  mixAngleDeg: [0, 80],
} as const satisfies Record<string, readonly [number, number]>;

/** Returns the settings when every field is in range, else throws a DomainError naming the first that is not. */
export function requireSettings(settings: Settings): Settings {
  requireRateCurve(settings?.rates?.roll, "rates.roll");
  requireRateCurve(settings.rates.pitch, "rates.pitch");
  requireRateCurve(settings.rates.yaw, "rates.yaw");
  requireThrottleProfile(settings.throttle);
  requireNumber("tiltDeg", settings.tiltDeg, ...settingsRanges.tiltDeg);
  requireNumber("camera.verticalFovDeg", settings.camera?.verticalFovDeg, ...settingsRanges.verticalFovDeg);
  requireNumber("camera.aspect", settings.camera.aspect, ...settingsRanges.aspect);
  for (const name of ["idleAuthority", "selfLevel"] as const) {
    if (typeof settings.modes?.[name] !== "boolean")
      throw new DomainError(
        `modes.${name}`,
        settings.modes?.[name],
        "on or off",
        `modes.${name} is neither on nor off`,
      );
  }
  if (settings.modes.bankLimitDeg !== null) {
    requireNumber("modes.bankLimitDeg", settings.modes.bankLimitDeg, ...settingsRanges.bankLimitDeg);
  }
  const { mixAngleDeg } = settings.modes;
  if (mixAngleDeg !== null && mixAngleDeg !== undefined)
    requireNumber("modes.mixAngleDeg", mixAngleDeg, ...settingsRanges.mixAngleDeg);
  return settings;
}

/** Settings with nothing in them but what the program knows. */
export function knownSettings({ rates, throttle, tiltDeg, camera, modes }: Settings): Settings {
  const curve = (from: RateCurve) =>
    Object.fromEntries(
      ["family", ...rateParameters(from.family)].map((name) => [
        name,
        (from as unknown as Record<string, unknown>)[name],
      ]),
    ) as unknown as RateCurve;
  return {
    rates: { roll: curve(rates.roll), pitch: curve(rates.pitch), yaw: curve(rates.yaw) },
    throttle: {
      mid: throttle.mid,
      expo: throttle.expo,
      limit: { kind: throttle.limit.kind, fraction: throttle.limit.fraction },
    },
    tiltDeg,
    camera: { verticalFovDeg: camera.verticalFovDeg, aspect: camera.aspect },
    modes: {
      idleAuthority: modes.idleAuthority === true,
      bankLimitDeg: modes.bankLimitDeg,
      selfLevel: modes.selfLevel === true,
      ...(typeof modes.mixAngleDeg === "number" && { mixAngleDeg: modes.mixAngleDeg }),
    },
  };
}
