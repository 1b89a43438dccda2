import { firstSettings } from "../flight";
import { seededRandom } from "../numbers";
import { rateAtStick } from "../rates";
import { usualErrors } from "../scatter";
import { checkTape, cruiseOf, findTricks, movementSmoothness, ownErrors, readTape, smoothness, wobbles } from ".";
import { madeUpPack } from "./testing/made-up-pack";
import { rowsOf } from "./testing/rows";

const tau = 2 * Math.PI;

describe("what it was flown with", () => {
  const { rates } = firstSettings;
  const random = seededRandom(3);
  const held = Array.from({ length: 120 }, () => 2 * random() - 1);
  /** Sticks held for half a second each; the aircraft follows after a dead time with a lag. */
  const answered = (share: number, deadS: number, sign = 1) => {
    const dps = { roll: 0, pitch: 0, yaw: 0 };
    const stickAt = (t: number, shift: number) => (t < 0 ? 0 : held[(Math.floor(t / 0.5) + shift) % held.length]);
    return rowsOf(500, 55, (t) => {
      const sticks = { roll: stickAt(t, 0), pitch: stickAt(t, 7), yaw: stickAt(t, 13) };
      (["roll", "pitch", "yaw"] as const).forEach((axis, k) => {
        const asked = share * rateAtStick(rates[axis], stickAt(t - deadS, [0, 7, 13][k]));
        dps[axis] += (asked - dps[axis]) * (1 - Math.exp(-1 / (500 * 0.012)));
      });
      return [sticks.roll, sticks.pitch, sticks.yaw, 0.3, sign * dps.roll, dps.pitch, dps.yaw];
    });
  };

  it("agrees with the settings that were flown, and tells the delay", () => {
    for (const axis of checkTape(readTape(answered(1, 0.03)), firstSettings)) {
      expect(axis).toMatchObject({ sign: 1, agrees: true });
      expect(Math.abs(axis.endDps! / axis.plannedEndDps - 1)).toBeLessThan(0.05);
      expect(axis.delayMs!).toBeGreaterThan(25);
      expect(axis.delayMs!).toBeLessThan(50);
      expect(axis.reach).toBeGreaterThan(0.9);
    }
  });

  it("says with its end rate that it was another setup, and which axis is the wrong way round", () => {
    const [roll, pitch] = checkTape(readTape(answered(1.08, 0.03, -1)), firstSettings);
    expect(roll).toMatchObject({ sign: -1, agrees: false });
    expect(pitch).toMatchObject({ sign: 1, agrees: false });
    expect(Math.abs(pitch.endDps! / (1.08 * pitch.plannedEndDps) - 1)).toBeLessThan(0.05);
  });

  it("says nothing of a stick that was left alone, and refuses settings out of range", () => {
    const tape = readTape(rowsOf(100, 5, () => [0, 0, 0, 0.3, 0, 0, 0]));
    expect(checkTape(tape, firstSettings)[0]).toMatchObject({ sign: 0, delayMs: null, fit: null, endDps: null });
    expect(() => checkTape(tape, { ...firstSettings, tiltDeg: -1 })).toThrow(/tiltDeg/);
  });
});

describe("wobbles", () => {
  const flown = (gyro: (t: number) => number, stick: (t: number) => number) =>
    readTape(rowsOf(500, 12, (t) => [stick(t), 0, 0, 0.35, gyro(t), 0, 0]));

  it.each([
    ["the hand, where the stick goes with it", 2, 0.15, "hand"],
    ["the machine, fast and without the stick", 32, 0, "machine"],
    ["the machine, slower", 7.5, 0, "machine"],
  ] as const)("%s", (_, hz, stick, cause) => {
    const found = wobbles(
      flown(
        (t) => 25 * Math.sin(tau * hz * t),
        (t) => stick * Math.sin(tau * hz * t + 0.4),
      ),
    );
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({ axis: "roll", cause });
    expect(Math.abs(found[0].hz - hz)).toBeLessThan(0.15);
    expect(found[0].toS - found[0].fromS).toBeGreaterThan(10);
  });

  it("nothing of noise, of slow swaying without the stick, or of a stretch that turns", () => {
    const random = seededRandom(5);
    expect(
      wobbles(
        flown(
          () => 12 * (random() - 0.5),
          () => 0,
        ),
      ),
    ).toEqual([]);
    expect(
      wobbles(
        flown(
          (t) => 25 * Math.sin(tau * 1.2 * t),
          () => 0,
        ),
      ),
    ).toEqual([]);
    expect(
      wobbles(
        flown(
          (t) => 300 * Math.sin(tau * 2 * t),
          (t) => 0.5 * Math.sin(tau * 2 * t),
        ),
      ),
    ).toEqual([]);
  });

  it("nothing of two minutes of ordinary flying", () => {
    const asked = Array.from({ length: 16 }, () => ({ kind: "roll" as const, side: 1 as const, turns: 1 }));
    expect(wobbles(readTape(madeUpPack(asked, { hz: 250, seed: 2 }).text))).toEqual([]);
  });
});

describe("smoothness (Balasubramanian and others 2015)", () => {
  const hz = 200;
  const minimumJerk = (s: number, size = 1) =>
    Array.from({ length: s * hz + 1 }, (_, i) => {
      const t = i / (s * hz);
      return (size * 30 * (t * t - 2 * t ** 3 + t ** 4)) / s;
    });
  const sum = (a: number[], b: number[], later: number) =>
    Array.from({ length: a.length + later }, (_, i) => (a[i] ?? 0) + (b[i - later] ?? 0));

  it("the smoothest movement has the log dimensionless jerk of its closed form, −ln(720/1.875²)", () => {
    const { logDimensionlessJerk, spectralArcLength } = movementSmoothness(minimumJerk(1), hz)!;
    expect(logDimensionlessJerk).toBeCloseTo(-Math.log(720 / 1.875 ** 2), 1);
    // About −1.4, as published; the value is from memory.
    expect(spectralArcLength).toBeCloseTo(-1.4, 1);
  });

  it("neither measure hangs on how far a movement goes, nor the jerk on how long it takes", () => {
    const [one, far, long] = [minimumJerk(1), minimumJerk(1, 7), minimumJerk(2)].map((v) => movementSmoothness(v, hz)!);
    expect(far.logDimensionlessJerk).toBeCloseTo(one.logDimensionlessJerk, 9);
    expect(far.spectralArcLength).toBeCloseTo(one.spectralArcLength, 9);
    expect(long.logDimensionlessJerk).toBeCloseTo(one.logDimensionlessJerk, 1);
  });

  it("both fall as a movement breaks into more and farther parts", () => {
    const part = minimumJerk(1);
    const measured = [[], [sum(part, part, 120)], [sum(part, part, 200)], [sum(sum(part, part, 200), part, 400)]].map(
      ([broken]) => movementSmoothness(broken ?? part, hz)!,
    );
    for (const name of ["logDimensionlessJerk", "spectralArcLength"] as const) {
      const values = measured.map((one) => one[name]);
      expect(values).toEqual([...values].sort((a, b) => b - a));
    }
  });

  it("of a recording falls with unsteady hands, whatever it was recorded with, and nothing is said of one without any", () => {
    const swayed = (hz: number, shakeDps: number) => {
      const rows = rowsOf(hz, 60, (t) => {
        const shake = shakeDps * (Math.sin(11.3 * t) + Math.sin(17.9 * t + 1) + Math.sin(26.1 * t + 2));
        return [0, 0, 0, 0.3, 40 * Math.sin(0.9 * t) + shake, 25 * Math.sin(0.7 * t + 1) + shake, 5];
      });
      return smoothness(readTape(rows))!;
    };
    const [steady, shaky, worse] = [swayed(250, 0), swayed(250, 5), swayed(250, 12)];
    expect(steady.moves).toBeGreaterThan(20);
    expect(shaky.logDimensionlessJerk).toBeLessThan(steady.logDimensionlessJerk - 0.5);
    expect(worse.logDimensionlessJerk).toBeLessThan(shaky.logDimensionlessJerk);
    expect(worse.spectralArcLength).toBeLessThan(steady.spectralArcLength);
    expect(Math.abs(swayed(100, 5).logDimensionlessJerk - shaky.logDimensionlessJerk)).toBeLessThan(0.4);
    expect(smoothness(readTape(rowsOf(100, 3, () => [0, 0, 0, 0.3, 1, 1, 1])))).toBeNull();
    expect(movementSmoothness([], hz)).toBeNull();
  });
});

it("the cruise is the median throttle of three quiet seconds and more, and its share of the flying", () => {
  const tape = readTape(
    rowsOf(100, 20, (t) => [
      0,
      0,
      0,
      t < 2 ? 0 : t < 10 ? 0.34 : t < 12 ? 0.9 : 0.5,
      t >= 12 ? 60 * Math.sin(t) + 60 : 2,
      0,
      0,
    ]),
  );
  const { throttle, share } = cruiseOf(tape)!;
  expect(throttle).toBeCloseTo(0.34, 5);
  expect(share).toBeCloseTo(10 / 18, 1);
  expect(cruiseOf(readTape(rowsOf(100, 3, () => [0, 0, 0, 0, 0, 0, 0])))).toBeNull();
});

describe("own errors", () => {
  const asked = Array.from({ length: 24 }, (_, i) => ({
    kind: "flip" as const,
    side: i % 2 ? (1 as const) : (-1 as const),
    turns: 1,
  }));
  const { text, truth } = madeUpPack(asked, { hz: 250, seed: 11 });
  const tricks = findTricks(readTape(text), { rates: firstSettings.rates, tiltDeg: 20 });

  it("are the lateness and its spread of the stops that were measured, and leave the rest usual", () => {
    const usual = usualErrors(5);
    const own = ownErrors(tricks, usual)!;
    const stops = truth.map(({ stopErrorDeg }) => stopErrorDeg!);
    const mean = stops.reduce((sum, one) => sum + one, 0) / stops.length;
    const rate = 360 / (tricks.reduce((sum, { measures }) => sum + measures.turnTimeS, 0) / tricks.length);
    expect(own.lateS).toBeCloseTo(mean / rate, 2);
    expect(own.timingS).toBeGreaterThan(0.003);
    expect(own.timingS).toBeLessThan(0.05);
    expect([own.windMps, own.stickNoise]).toEqual([usual.windMps, usual.stickNoise]);
  });

  it("want five turns, and take none that is unsure", () => {
    expect(ownErrors(tricks.slice(0, 4))).toBeNull();
    expect(ownErrors(tricks.map((one) => ({ ...one, confidence: 0.3 })))).toBeNull();
  });
});
