import { airframePresets, hoverCommand, type Airframe } from "../airframe";
import { multiply, toWorld, type Quaternion } from "../attitude";
import { airDensity, SEA_LEVEL_AIR } from "../atmosphere";
import { firstSettings, runOnDeg } from "../flight";
import { rateDps, stickTravelByGrip, type AxisRates } from "../rates";
import { cruise, topSpeed } from "../sustained";
import { throttleOut, type ThrottleProfile } from "../throttle";
import {
  compareAircraft,
  endRateFromRolls,
  fastestMix,
  fitAirframe,
  limitEffect,
  midVerdict,
  mixFor,
  proposedMid,
  pureHalfTurnViewDeg,
  throttlePoints,
  tiltError,
  tiltOfSticks,
} from ".";

const five = airframePresets["five-inch-freestyle"].airframe;
const seven = airframePresets["seven-inch"].airframe;
const open: ThrottleProfile = { mid: 0.3, expo: 0.5, limit: { kind: "off", fraction: 1 } };
const thumbs = stickTravelByGrip.thumbs;
const atTilt = (tiltDeg: number) => ({ tiltDeg, cruiseMps: null });
const equal: AxisRates = {
  roll: { family: "end-cubic", endDps: 700, expo: 0.3 },
  pitch: { family: "end-cubic", endDps: 700, expo: 0.3 },
  yaw: { family: "end-cubic", endDps: 700, expo: 0.3 },
};
/** Turn by an angle about a body axis. */
const about = (axis: "x" | "y" | "z", deg: number): Quaternion => {
  const half = (deg * Math.PI) / 360;
  return { w: Math.cos(half), x: 0, y: 0, z: 0, [axis]: Math.sin(half) };
};

describe("throttle", () => {
  it("puts hover and cruise on the stick, cruise above hover, and gives back the commands", () => {
    const { hover, cruise: level } = throttlePoints(open, five, atTilt(25), SEA_LEVEL_AIR, thumbs);
    expect(throttleOut(open, hover.stick!)).toBeCloseTo(hoverCommand(five), 6);
    expect(throttleOut(open, level!.stick!)).toBeCloseTo(cruise(five, 25, SEA_LEVEL_AIR).throttle, 6);
    expect(level!.command).toBeGreaterThan(hover.command);
  });

  it("mids near what pilots find: 0.25 to 0.30 for 3 and 5 inch, 0.44 to 0.45 for 7 inch, cruise above hover (common practice, no source)", () => {
    const three = airframePresets["three-inch"].airframe;
    const gentle = (airframe: Airframe) => proposedMid(open, cruise(airframe, 10, SEA_LEVEL_AIR).throttle);
    for (const airframe of [three, five]) {
      expect(hoverCommand(airframe)).toBeGreaterThan(0.25);
      expect(gentle(airframe)).toBeLessThanOrEqual(0.315);
    }
    expect(hoverCommand(seven)).toBeGreaterThan(0.435);
    expect(gentle(seven)).toBeLessThan(0.48);
  });

  it("a proposed mid comes out at the cruise whatever the limit, and is softest there", () => {
    const command = cruise(five, 25, SEA_LEVEL_AIR).throttle;
    for (const limit of [open.limit, { kind: "scale", fraction: 0.65 }, { kind: "clip", fraction: 0.7 }] as const) {
      const profile = { ...open, limit };
      const tuned = { ...profile, mid: proposedMid(profile, command) };
      expect(throttleOut(tuned, tuned.mid)).toBeCloseTo(command, 9);
      expect(midVerdict(tuned, tuned.mid)).toMatchObject({ kind: "on", gainRatio: 1 });
    }
  });

  it("says when the mid is off, and by how much the answer is quicker at the cruise", () => {
    const low = midVerdict({ ...open, mid: 0.1 }, 0.35);
    expect(low.kind).toBe("too-low");
    expect(low.offBy).toBeCloseTo(0.25, 9);
    // Slope (1−e) + 3e·t²/y² over the slope at mid, 1−e.
    expect(low.gainRatio).toBeCloseTo((0.5 + 3 * 0.5 * (0.25 / 0.9) ** 2) / 0.5, 3);
    expect(midVerdict({ ...open, mid: 0.6 }, 0.35).kind).toBe("too-high");
  });

  it("one millimetre changes the climb less with more expo and with a longer stick", () => {
    const climb = (profile: ThrottleProfile, grip = thumbs) =>
      throttlePoints(profile, five, atTilt(20), SEA_LEVEL_AIR, grip).hover.climbPerMm!;
    expect(climb({ ...open, expo: 0.7 })).toBeLessThan(climb({ ...open, expo: 0.2 }));
    expect(climb(open, stickTravelByGrip.pinch)).toBeCloseTo((climb(open) * 22) / 29, 9);
    // Straight stick, hover: g·W·(1−a+2au) over twice 22 mm·sin 25°, by hand.
    const u = hoverCommand(five);
    const byHand = (9.80665 * 7.5 * (0.3 + 1.4 * u)) / (2 * 22 * Math.sin((25 * Math.PI) / 180));
    expect(climb({ ...open, expo: 0 })).toBeCloseTo(byHand, 3);
  });

  it("a limit scales the punch or leaves dead stick", () => {
    expect(limitEffect(open, five)).toEqual({ topCommand: 1, punchG: 6.5, deadAbove: 1 });
    const scaled = limitEffect({ ...open, limit: { kind: "scale", fraction: 0.65 } }, five);
    expect(scaled.punchG).toBeCloseTo(7.5 * (0.3 * 0.65 + 0.7 * 0.65 ** 2) - 1, 9);
    expect(scaled.deadAbove).toBe(1);
    const clipped = limitEffect({ ...open, expo: 0, limit: { kind: "clip", fraction: 0.65 } }, five);
    expect(clipped.deadAbove).toBeCloseTo(0.65, 6);
    expect(
      throttlePoints({ ...open, limit: { kind: "scale", fraction: 0.25 } }, seven, atTilt(20), SEA_LEVEL_AIR, thumbs)
        .hover.stick,
    ).toBeNull();
  });
});

describe("the mix", () => {
  it("sticks command the body rates that keep the camera level in a turn, checked by turning the attitude", () => {
    const tilt = 30;
    const mix = mixFor("level-turn", firstSettings.rates, tilt, 90);
    const [p, r] = [rateDps(firstSettings.rates.roll, mix.rollStick!), rateDps(firstSettings.rates.yaw, mix.yawStick!)];
    const axis = { x: Math.cos((tilt * Math.PI) / 180), y: 0, z: -Math.sin((tilt * Math.PI) / 180) };
    let attitude = about("y", -tilt);
    const steps = 3600;
    for (let i = 0; i < steps; i++)
      attitude = multiply(multiply(attitude, about("x", (p * 4) / steps)), about("z", (r * 4) / steps));
    // After four seconds at 90 °/s it looks where it began, and never off the horizon.
    expect(toWorld(attitude, axis).z).toBeCloseTo(0, 2);
    expect(toWorld(attitude, axis).x).toBeCloseTo(1, 2);
  });

  it("a roll about the view axis leaves the view where it is", () => {
    const mix = mixFor("view-roll", firstSettings.rates, 25, 200);
    const tilt = (25 * Math.PI) / 180;
    expect(mix.rates.rollDps / mix.rates.yawDps).toBeCloseTo(-Math.cos(tilt) / Math.sin(tilt), 9);
    expect(mix.sticks).toBe("apart");
  });

  it("is all yaw at 0°, all roll at 90°, together between, equal at 45° (common practice, no source)", () => {
    expect(mixFor("level-turn", equal, 0, 100).sticks).toBe("yaw alone");
    expect(mixFor("level-turn", equal, 90, 100).sticks).toBe("roll alone");
    expect(mixFor("level-turn", equal, 30, 100).sticks).toBe("together");
    const half = mixFor("level-turn", equal, 45, 100);
    expect(half.rollStick).toBeCloseTo(half.yawStick!, 9);
    expect(tiltOfSticks(equal, 0.4, 0.4)).toBeCloseTo(45, 9);
  });

  it("says how fast it can go before a stick is at its stop, and gives no stick beyond", () => {
    const { speedDps, stopsAt } = fastestMix("level-turn", equal, 30);
    expect(stopsAt).toBe("yaw");
    expect(speedDps).toBeCloseTo(700 / Math.cos(Math.PI / 6), 6);
    expect(mixFor("level-turn", equal, 30, speedDps * 1.01).yawStick).toBeNull();
    expect(mixFor("level-turn", equal, 30, speedDps * 0.99).yawStick).toBeCloseTo(1, 1);
  });

  it.each([1, 2, 5])("with the tilt off by %d° the horizon leans by twice that after half a turn", (errorDeg) => {
    const off = tiltError("level-turn", firstSettings.rates, 25, 90, errorDeg);
    expect(off.offAfterHalfTurnDeg).toBeCloseTo(2 * errorDeg, 6);
    expect(off.rollStickChange!).toBeGreaterThan(0);
    expect(off.yawStickChange!).toBeLessThan(0);
  });

  it("a pure half roll looks twice the tilt below the horizon, a pure half yaw twice above (common practice, no source)", () => {
    const tilt = 20;
    const view = (turn: Quaternion) => {
      const rad = (tilt * Math.PI) / 180;
      const { z } = toWorld(multiply(about("y", -tilt), turn), { x: Math.cos(rad), y: 0, z: -Math.sin(rad) });
      return (-Math.asin(z) * 180) / Math.PI;
    };
    expect(view(about("x", 180))).toBeCloseTo(pureHalfTurnViewDeg("roll", tilt), 6);
    expect(view(about("z", 180))).toBeCloseTo(pureHalfTurnViewDeg("yaw", tilt), 6);
  });
});

describe("measured at the field", () => {
  /** An aircraft that is not as its kind says. */
  const truth: Airframe = {
    ...five,
    massKg: 0.72,
    thrustToWeight: 6.1,
    inertiaKgM2: { x: 0.003 * (0.72 / 0.65), y: 0.0034 * (0.72 / 0.65), z: 0.0055 * (0.72 / 0.65) },
    dragAreaM2: { x: 0.012 * 1.4, y: 0.014 * 1.4, z: 0.03 * 1.4 },
    linearDragNPerMps: five.linearDragNPerMps * 1.4,
    pitchSpeedMps: 43,
    rateLoopPerS: { roll: 27, pitch: 25.5, yaw: 10.5 },
    sag: { ...five.sag!, emptyShare: 0.2 },
  };

  it("gives back the aircraft that the measurements were taken on", () => {
    const level = cruise(truth, 25, SEA_LEVEL_AIR);
    const high = { heightM: 1500, isaOffsetK: 0 };
    const late = (truth.thrustToWeight - 1) / (truth.thrustToWeight * (1 - 0.2 * 0.8) ** 2 - 1);
    const fitted = fitAirframe(
      five,
      [
        { kind: "weight", massKg: 0.72 },
        { kind: "hover", command: hoverCommand(truth) },
        { kind: "hover", command: hoverCommand(truth, airDensity(high)), elevationM: 1500 },
        { kind: "top-speed", speedMps: topSpeed(truth, SEA_LEVEL_AIR).speedMps },
        { kind: "run-on", rateDps: 700, deg: runOnDeg(truth, 700) },
        { kind: "late-punch", freshS: 1, lateS: Math.sqrt(late), usedShare: 0.8 },
        { kind: "cruise-speed", tiltDeg: 25, speedMps: level.speedMps },
        { kind: "cruise-throttle", tiltDeg: 25, command: level.throttle },
      ],
      SEA_LEVEL_AIR,
    );
    expect(fitted.airframe.thrustToWeight).toBeCloseTo(6.1, 3);
    expect(fitted.airframe.dragAreaM2.x).toBeCloseTo(truth.dragAreaM2.x, 5);
    expect(fitted.airframe.pitchSpeedMps).toBeCloseTo(43, 1);
    expect(fitted.airframe.rateLoopPerS.roll).toBeCloseTo(27, 1);
    expect(fitted.airframe.sag!.emptyShare).toBeCloseTo(0.2, 6);
    expect(fitted.airframe.inertiaKgM2.y).toBeCloseTo(truth.inertiaKgM2.y, 9);
    expect(fitted.measured).toEqual(["massKg", "dragAreaM2", "thrustToWeight", "pitchSpeedMps", "rateLoopPerS", "sag"]);
    for (const { share } of fitted.residuals) expect(share).toBeCloseTo(0, 3);
  });

  it("shows how well measurements agree that contradict one another", () => {
    const { airframe, residuals } = fitAirframe(
      five,
      [
        { kind: "hover", command: 0.3 },
        { kind: "hover", command: 0.34 },
      ],
      SEA_LEVEL_AIR,
    );
    expect(residuals[0].share).toBeLessThan(-0.05);
    expect(residuals[1].share).toBeGreaterThan(0.05);
    expect(airframe.thrustToWeight).toBeGreaterThan(1 / (0.3 * 0.34 + 0.7 * 0.34 ** 2));
  });

  it("changes nothing that was not measured, and refuses what cannot be", () => {
    expect(fitAirframe(five, [], SEA_LEVEL_AIR)).toEqual({ airframe: five, measured: [], residuals: [] });
    const fit = (speedMps: number) =>
      fitAirframe(five, [{ kind: "cruise-speed", tiltDeg: 25, speedMps }], SEA_LEVEL_AIR);
    expect(() => fit(60)).toThrow(/^speedMps is 60; at 25° it would mean less than 0\.2 times the drag/);
    expect(() => fitAirframe(five, [{ kind: "hover", command: 0.05 }], SEA_LEVEL_AIR)).toThrow(
      /thrust of .* times the weight/,
    );
  });

  it("ten rolls in six seconds are 600 °/s", () => expect(endRateFromRolls(10, 6)).toBe(600));
});

describe("the fleet", () => {
  const reference = { airframe: five, settings: { ...firstSettings, tiltDeg: 30 } };

  it("finds nothing between an aircraft and its copy", () => {
    expect(compareAircraft(reference, reference, SEA_LEVEL_AIR, 90)).toMatchObject({
      tiltDeg: 0,
      feel: { percent: 0 },
      cruise: { speedMps: 0, throttleStick: 0 },
      turn: { rollStick: 0, yawStick: 0 },
    });
    expect(compareAircraft(reference, reference, SEA_LEVEL_AIR, 90).horizonOffDeg).toBeCloseTo(0, 6);
  });

  it("a camera that slipped by 3° flies slower and leans the horizon by twice as much in half a turn", () => {
    const slipped = { ...reference, settings: { ...reference.settings, tiltDeg: 27 } };
    const difference = compareAircraft(reference, slipped, SEA_LEVEL_AIR, 90);
    expect(difference.tiltDeg).toBe(-3);
    expect(difference.cruise!.speedShare).toBeLessThan(-0.03);
    expect(difference.cruise!.throttleStick).toBeLessThan(0);
    expect(difference.turn!.rollStick).toBeLessThan(0);
    expect(difference.horizonOffDeg).toBeCloseTo(6, 6);
  });

  it("faster curves show as faster, with the axis that differs most", () => {
    const { roll } = reference.settings.rates;
    const quick = {
      ...reference,
      settings: {
        ...reference.settings,
        rates: { ...reference.settings.rates, roll: { ...roll, base: 1.2 } as typeof roll },
      },
    };
    const { feel } = compareAircraft(reference, quick, SEA_LEVEL_AIR, 90);
    expect(feel.worstAxis).toBe("roll");
    expect(feel.fasterPercent).toBeCloseTo(feel.percent, 9);
    expect(feel.worstPercent).toBeCloseTo((200 * (1.2 - 1)) / 2.2, 6);
  });
});
