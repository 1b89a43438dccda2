import { curveFeel, type RateCurve, type Settings } from "@/core";
import { percent } from "@/words";

const familyNames = {
  "base-rise": "base and rise",
  "centre-end": "centre and end",
  "end-cubic": "end and cubic expo",
} as const;

/** Name of a curve family, by its shape. */
export function familyName(family: RateCurve["family"]): string {
  return familyNames[family];
}

/** What changed between two settings, in words; empty when nothing did. */
export function differencesInWords(before: Settings, after: Settings): string[] {
  const words: string[] = [];
  for (const axis of ["roll", "pitch", "yaw"] as const) {
    const [was, is] = [before.rates[axis], after.rates[axis]];
    if (JSON.stringify(was) === JSON.stringify(is)) continue;
    const [from, to] = [curveFeel(was), curveFeel(is)];
    const parts = [
      figureChange("end", from.endDps, to.endDps),
      figureChange("centre", from.centreSlopeDps, to.centreSlopeDps),
      figureChange("half stick", from.halfStickDps, to.halfStickDps),
    ].filter((part) => part !== null);
    words.push(`${axis} ${parts.length ? `${parts.join(", ")} °/s` : `shape: ${familyName(is.family)}`}`);
  }
  const change = (name: string, was: unknown, is: unknown) =>
    was !== is && words.push(`${name} ${String(was)} → ${String(is)}`);
  change("throttle mid", before.throttle.mid, after.throttle.mid);
  change("throttle expo", before.throttle.expo, after.throttle.expo);
  change("throttle limit", limitText(before), limitText(after));
  change("tilt", `${before.tiltDeg}°`, `${after.tiltDeg}°`);
  change("vertical view", `${before.camera.verticalFovDeg}°`, `${after.camera.verticalFovDeg}°`);
  change("idle authority", onOff(before.modes.idleAuthority), onOff(after.modes.idleAuthority));
  change("bank limit", before.modes.bankLimitDeg ?? "none", after.modes.bankLimitDeg ?? "none");
  change("self-level", onOff(before.modes.selfLevel), onOff(after.modes.selfLevel));
  change("controller mixes for", mixText(before), mixText(after));
  return words;
}

function figureChange(name: string, before: number, after: number): string | null {
  const [was, is] = [Math.round(before), Math.round(after)];
  return was === is ? null : `${name} ${was} → ${is}`;
}

function limitText({ throttle: { limit } }: Settings): string {
  return limit.kind === "off" ? "off" : `${limit.kind} ${percent(limit.fraction)}`;
}

const mixText = ({ modes: { mixAngleDeg } }: Settings) => (mixAngleDeg == null ? "no angle" : `${mixAngleDeg}°`);
const onOff = (value: boolean) => (value ? "on" : "off");
