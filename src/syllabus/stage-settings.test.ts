import {
  airframePresets,
  cruise,
  curveFeel,
  dpsPerMillimetre,
  firstSettings,
  requireSettings,
  SEA_LEVEL_AIR,
  rateAtStick,
  stickTravelOf,
  throttleOut,
  type Settings,
} from "@/core";
import { settingsProposals, type Hands, type SettingsSchool } from "./stage-settings";

const five = airframePresets["five-inch-freestyle"].airframe;
const thumbs: Hands = { grip: "thumbs", stickLengthMm: null, reachShare: null, cruiseMps: null };
const usual: SettingsSchool = { tilt: "by-stage", route: "bank-limit" };
const applied = (settings: Settings, stage: number, school = usual): Settings =>
  settingsProposals(settings, five, stage, school, thumbs).reduce((now, { apply }) => apply(now), settings);
const families = [
  { family: "base-rise", base: 1, rise: 0.7, expo: 0.1 },
  { family: "centre-end", centreDps: 200, endDps: 700, expo: 0.3 },
  { family: "end-cubic", endDps: 700, expo: 0.3 },
] as const;

it.each([0, 1, 2, 3, 4, 5, 6, 7])(
  "taken together at stage %d they make settings that can be flown and leave nothing to propose",
  (stage) => {
    for (const curve of families) {
      const settings = { ...firstSettings, rates: { roll: curve, pitch: curve, yaw: curve } };
      const after = applied(settings, stage);
      expect(() => requireSettings(after)).not.toThrow();
      expect(settingsProposals(after, five, stage, usual, thumbs)).toEqual([]);
    }
  },
);

it("begin a learner at about 300 °/s, 60 to 70 % throttle and 30° of bank; flips at about 700, under 800 (common practice, no source)", () => {
  const learner = applied(firstSettings, 0);
  expect(curveFeel(learner.rates.pitch).endDps).toBeCloseTo(300, -1);
  expect(learner.throttle.limit).toEqual({ kind: "scale", fraction: 0.65 });
  expect(learner.modes.bankLimitDeg).toBe(30);
  const flips = applied(learner, 4);
  expect(curveFeel(flips.rates.pitch).endDps).toBeGreaterThan(650);
  expect(curveFeel(flips.rates.pitch).endDps).toBeLessThan(800);
  expect(flips.throttle.limit.kind).toBe("off");
  expect(flips.modes).toEqual({ idleAuthority: true, bankLimitDeg: null, selfLevel: false });
});

it.each([
  [0, 0.65, 30, 0, 5],
  [2, 0.85, 60, 0, 20],
  [3, 0.85, null, 10, 20],
  [4, null, null, 15, 25],
  [6, null, null, 25, 35],
] as const)(
  "at stage %d the throttle is held at %p of it, the bank at %p, the camera at %d to %d° (common practice, no source)",
  (stage, share, bankLimitDeg, leastTiltDeg, mostTiltDeg) => {
    const { throttle, modes, tiltDeg } = applied(firstSettings, stage);
    expect(throttle.limit.kind === "off" ? null : throttle.limit.fraction).toBe(share);
    expect(modes.bankLimitDeg).toBe(bankLimitDeg);
    expect(tiltDeg).toBeGreaterThanOrEqual(leastTiltDeg);
    expect(tiltDeg).toBeLessThanOrEqual(mostTiltDeg);
  },
);

it("put the throttle's mid on the cruise of this aircraft at the tilt proposed, through the limit proposed", () => {
  const after = applied(firstSettings, 2);
  expect(throttleOut(after.throttle, after.throttle.mid)).toBeCloseTo(
    cruise(five, after.tiltDeg, SEA_LEVEL_AIR).throttle,
    2,
  );
});

it("follow the school: one camera angle for ever, straight rate mode, self-level at first", () => {
  expect(
    settingsProposals(firstSettings, five, 7, { ...usual, tilt: "fixed" }, thumbs).map(({ id }) => id),
  ).not.toContain("tilt");
  expect(applied(firstSettings, 0, { ...usual, route: "rate-mode" }).modes.bankLimitDeg).toBeNull();
  expect(applied(firstSettings, 0, { ...usual, route: "self-level" }).modes.selfLevel).toBe(true);
  expect(applied(firstSettings, 4, { ...usual, route: "self-level" }).modes.selfLevel).toBe(false);
});

it("each changes only what it says", () => {
  const proposals = settingsProposals(firstSettings, five, 0, usual, thumbs);
  const tilt = proposals.find(({ id }) => id === "tilt")!;
  expect(tilt.apply(firstSettings)).toEqual({ ...firstSettings, tiltDeg: 0 });
  expect(proposals.every(({ reason, now, wanted }) => reason.length > 5 && now !== wanted)).toBe(true);
  expect(() => settingsProposals(firstSettings, five, 8, usual, thumbs)).toThrow(/^stage is 8; allowed: 0 to 7$/);
});

it("soften the centre only for a stick that was measured, as far as it moves little", () => {
  const quick = { family: "end-cubic", endDps: 700, expo: 0.62 } as const;
  const settings = { ...firstSettings, rates: { roll: quick, pitch: quick, yaw: quick } };
  const centres = (stickLengthMm: number | null) =>
    settingsProposals(settings, five, 4, usual, { ...thumbs, stickLengthMm }).filter(({ id }) =>
      id.startsWith("centre"),
    );
  expect(centres(null)).toEqual([]);
  expect(centres(29)).toEqual([]);
  const [roll] = centres(22);
  const after = roll.apply(settings).rates.roll;
  expect(dpsPerMillimetre(after, 0, stickTravelOf({ grip: "thumbs", stickLengthMm: 22 }))).toBeCloseTo(22, 1);
  expect(curveFeel(after).endDps).toBeCloseTo(700, 6);
});

it.each(families)(
  "give a hand that never reaches the stop a faster end, so that what it reaches turns as is usual: $family",
  (curve) => {
    const settings: Settings = { ...firstSettings, rates: { roll: curve, pitch: curve, yaw: curve } };
    const pinch = { ...thumbs, grip: "pinch", reachShare: 0.88 } as const;
    const after = settingsProposals(settings, five, 4, usual, pinch).reduce((now, { apply }) => apply(now), settings);
    const whole = applied(settings, 4);
    for (const axis of ["roll", "pitch", "yaw"] as const) {
      const wanted = curveFeel(whole.rates[axis]).endDps;
      // Within the tenth that is left alone.
      expect(Math.abs(rateAtStick(after.rates[axis], 0.88) / wanted - 1)).toBeLessThan(0.11);
      expect(curveFeel(after.rates[axis]).endDps).toBeGreaterThan(0.98 * wanted);
    }
    expect(settingsProposals(after, five, 4, usual, pinch).filter(({ id }) => id.startsWith("end-"))).toEqual([]);
  },
);

it("make equal sticks a flat spin where the school matches them: yaw = roll / tan(tilt), as a level turn has it", () => {
  const { rates, tiltDeg } = applied(firstSettings, 5, { ...usual, yawMatch: "matched" });
  const end = (axis: "roll" | "yaw") => curveFeel(rates[axis]).endDps;
  expect(Math.atan2(end("roll"), end("yaw")) * (180 / Math.PI)).toBeGreaterThan(tiltDeg - 1);
  const comfort = applied(firstSettings, 5, { ...usual, yawMatch: "comfort" }).rates;
  expect(curveFeel(comfort.yaw).endDps).toBeLessThan(curveFeel(comfort.roll).endDps);
});

it("mix for the camera in the controller where the school does so, at the tilt that is flown", () => {
  expect(applied(firstSettings, 4, { ...usual, mixing: "controller" }).modes.mixAngleDeg).toBe(20);
  const mixed = { ...firstSettings, modes: { ...firstSettings.modes, mixAngleDeg: 20 } };
  expect(applied(mixed, 4, { ...usual, mixing: "hand" }).modes.mixAngleDeg).toBeNull();
});

it("wait for what the school tunes first, but for a first aircraft, which is set up whole", () => {
  const waiting = (stage: number, tuning: "throttle" | "rates") =>
    settingsProposals(firstSettings, five, stage, { ...usual, tuning }, thumbs).flatMap(({ id, waits }) =>
      waits ? [id] : [],
    );
  expect(waiting(6, "throttle")).toContain("end-yaw");
  expect(waiting(6, "rates")).toContain("mid");
  expect(waiting(6, "rates")).not.toContain("end-yaw");
  expect(waiting(0, "throttle")).toEqual([]);
});
