import { knownSettings, requireSettings, settingsRanges, type Settings } from "../flight";
import { DomainError, requireNumber, requireOneOf } from "../numbers";
import { rateFamilies, rateParameters, rateRanges, withRise, type RateCurve } from "../rates";
import { throttleLimitKinds, throttleRanges } from "../throttle";

/** A setup as a file. Published as the schema "setup". */
export interface SettingsFile {
  readonly format: "bathygon-setup";
  readonly version: 1;
  /** What it was saved on and why, for people; not read back. */
  readonly aircraft: string;
  readonly reason: string;
  readonly settings: Settings;
}

/** Something in a file that is not taken. */
export type ReadSettings =
  | { readonly ok: true; readonly settings: Settings }
  | { readonly ok: false; readonly problems: readonly DomainError[] };

/** Settings of a file that was read as JSON, or everything that stands against it, field by field. Never throws. */
export function readSettingsFile(given: unknown): ReadSettings {
  const file = withRise(given);
  const problems: DomainError[] = [];
  const at = (value: unknown, key: string): unknown =>
    typeof value === "object" && value !== null && Object.hasOwn(value, key)
      ? (value as Record<string, unknown>)[key]
      : undefined;
  const check = (test: () => unknown) => {
    try {
      test();
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      problems.push(error);
    }
  };
  check(() => requireOneOf("format", at(file, "format"), ["bathygon-setup"]));
  check(() => requireNumber("version", at(file, "version"), 1, 1));
  const settings = at(file, "settings");
  const number = (field: string, [min, max]: readonly [number, number]) => {
    const value = field.split(".").reduce(at, settings);
    check(() => requireNumber(field, value, min, max));
  };
  for (const axis of ["roll", "pitch", "yaw"]) {
    const family = at(at(at(settings, "rates"), axis), "family");
    check(() => requireOneOf(`rates.${axis}.family`, family, rateFamilies));
    if (rateFamilies.includes(family as RateCurve["family"]))
      for (const name of rateParameters(family as RateCurve["family"]))
        number(`rates.${axis}.${name}`, rateRanges[name]);
  }
  number("throttle.mid", throttleRanges.mid);
  number("throttle.expo", throttleRanges.expo);
  check(() =>
    requireOneOf("throttle.limit.kind", at(at(at(settings, "throttle"), "limit"), "kind"), throttleLimitKinds),
  );
  number("throttle.limit.fraction", throttleRanges.limitFraction);
  number("tiltDeg", settingsRanges.tiltDeg);
  number("camera.verticalFovDeg", settingsRanges.verticalFovDeg);
  number("camera.aspect", settingsRanges.aspect);
  for (const name of ["idleAuthority", "selfLevel"]) {
    const value = at(at(settings, "modes"), name);
    if (typeof value !== "boolean")
      problems.push(
        new DomainError(`modes.${name}`, value, "true or false", `modes.${name} is neither true nor false`),
      );
  }
  if (at(at(settings, "modes"), "bankLimitDeg") !== null) number("modes.bankLimitDeg", settingsRanges.bankLimitDeg);
  if (problems.length) return { ok: false, problems };
  return { ok: true, settings: knownSettings(requireSettings(settings as Settings)) };
}

/** A setup as it is written to a file. */
export function settingsFile(settings: Settings, aircraft: string, reason: string): SettingsFile {
  return { format: "bathygon-setup", version: 1, aircraft, reason, settings: knownSettings(requireSettings(settings)) };
}
