import { airframePresets } from "../airframe";
import { firstSettings } from "../flight";
import { CALM_AIR, fly, recipes, type Flight } from "../recipes";
import { findTricks, readTape, type FoundTrick } from ".";
import { flownTape, type Sampling } from "./testing/flown-tape";
import { madeUpPack, type AskedTrick, type FlownTruth } from "./testing/made-up-pack";

const { airframe } = airframePresets["five-inch-freestyle"];
const flownBy = { rates: firstSettings.rates, tiltDeg: firstSettings.tiltDeg };
const flights = new Map<string, Flight>();
function flown(id: string): Flight {
  const known = flights.get(id) ?? fly(recipes[id], airframe, firstSettings, { ...CALM_AIR, entryHeightM: 60 });
  flights.set(id, known);
  return known;
}
const foundIn = (id: string, sampling: Sampling) => findTricks(readTape(flownTape(flown(id), sampling)), flownBy);

/** Dirt of receivers and gyros: offset, scale, noise, jitter, lacking rows, coarse sticks. */
const dirty = { biasDps: 1, scale: 0.003, noiseDps: 0.5, jitter: 0.2, dropped: 0.01, stickSteps: 256, stickHz: 50 };

describe("the model's tricks are found, once, by their name", () => {
  const kinds: readonly (readonly [string, FoundTrick["kind"], FoundTrick["axis"], FoundTrick["direction"], number])[] =
    [
      ["flip-slow-back", "flip", "pitch", "back", 1],
      ["flip-ease-quarter-front", "flip", "pitch", "front", 1],
      ["flip-one-move-back", "flip", "pitch", "back", 1],
      ["segments-180-180-back", "flip", "pitch", "back", 1],
      ["roll-pure-left", "roll", "roll", "left", 1],
      ["roll-level-right", "roll", "roll", "right", 1],
      ["spin-level-right", "spin", "yaw", "right", 1],
      ["hang-left", "hang", "roll", "left", 1],
      ["split-s-float-right", "split", "roll", "right", 0.5],
      ["loop-open-power", "loop", "pitch", "back", 1],
      ["spin-inverted-roll-right", "spin-inverted", "yaw", "right", 0.5],
      ["gap-knife-right", "knife-edge", "roll", "right", 0.5],
      ["turn-brake-left", "turn-about", "yaw", "left", 0.5],
      ["pitch-brake", "brake", "pitch", "back", 0.5],
      ["orbit-back-roll-right", "orbit-back", "roll", "left", 2],
      ["helix-pitch-right", "helix", "yaw", "right", 1],
    ];
  it.each(kinds)("%s: %s about %s, %s, %d", (id, kind, axis, direction, turns) => {
    for (const hz of [50, 100, 500, 1000]) {
      const found = foundIn(id, { hz, ...(hz >= 100 && dirty) });
      expect([hz, found.map((one) => [one.kind, one.axis, one.direction, one.turns])]).toEqual([
        hz,
        [[kind, axis, direction, turns]],
      ]);
      expect(found[0].confidence).toBeGreaterThanOrEqual(0.5);
    }
  });

  it.each(["flip-one-move-back", "flip-ease-quarter-front", "roll-pure-left", "low-line-right", "hang-left"])(
    "%s: its stop and swing back are those of the model within 3°",
    (id) => {
      const { stopErrorDeg, bounceBackDeg, throttleInvertedMean } = flown(id).measures;
      const [{ measures }] = foundIn(id, { hz: 500, ...dirty, dropped: 0 });
      expect(Math.abs(measures.stopErrorDeg - stopErrorDeg!)).toBeLessThan(3);
      expect(Math.abs(measures.swingBackDeg - bounceBackDeg!)).toBeLessThan(3);
      expect(Math.abs(measures.throttleInvertedMean! - throttleInvertedMean!)).toBeLessThan(0.05);
    },
  );

  it("the yaw that a roll takes along tells the tilt it was right for", () => {
    const [level] = foundIn("roll-level-right", { hz: 500 });
    const [pure] = foundIn("roll-pure-right", { hz: 500 });
    expect(Math.abs(level.measures.impliedTiltDeg! - (180 / Math.PI) * Math.atan(94 / 347))).toBeLessThan(2);
    expect(Math.abs(pure.measures.impliedTiltDeg!)).toBeLessThan(1);
  });
});

describe("in a pack of another maker, whose pilot corrects a reaction time after the stop", () => {
  const kinds = ["flip", "roll", "spin", "hang", "split"] as const;
  const asked: AskedTrick[] = Array.from({ length: 50 }, (_, i) => ({
    kind: kinds[i % 5],
    side: Math.floor(i / 5) % 2 ? 1 : -1,
    turns: kinds[i % 5] === "roll" && i % 3 === 0 ? 2 : 1,
  }));
  const directionOf = ({ kind, side }: FlownTruth) =>
    kind === "flip" ? (side > 0 ? "back" : "front") : side > 0 ? "right" : "left";
  const pack = madeUpPack(asked, { hz: 500, seed: 7, biasDps: 0.7 });
  const found = findTricks(readTape(pack.text), flownBy);
  const meant = (truth: FlownTruth) => found.filter((one) => one.fromS < truth.toS && one.toS > truth.fromS);

  it("at least 97 in 100 flips, rolls and spins are found and rightly named, counted and turned", () => {
    const turned = pack.truth.filter(({ kind }) => ["flip", "roll", "spin"].includes(kind));
    const right = turned.filter((truth) => {
      const [one, ...more] = meant(truth);
      return (
        more.length === 0 &&
        one?.kind === truth.kind &&
        one.direction === directionOf(truth) &&
        one.turns === truth.turns
      );
    });
    expect(right.length / turned.length).toBeGreaterThanOrEqual(0.97);
    for (const truth of right)
      expect(Math.abs(meant(truth)[0].measures.stopErrorDeg - truth.stopErrorDeg!)).toBeLessThan(3);
  });

  it("and at most one that nobody flew, in some six minutes of bends and dives", () => {
    const lastS = pack.truth.at(-1)!.toS;
    expect(lastS).toBeGreaterThan(300);
    expect(
      found.filter((one) => !pack.truth.some((truth) => one.fromS < truth.toS && one.toS > truth.fromS)).length,
    ).toBeLessThanOrEqual(1);
  });
});

it("a slow flip is none the less a flip where the throttle is left open, and no loop goes over the nose", () => {
  for (const id of ["flip-slow-back", "flip-slow-front"]) {
    const { trace } = flown(id);
    for (const open of [0.15, 0.2, ...(id === "flip-slow-front" ? [0.4] : [])]) {
      const left = { ...trace, stickThrottle: trace.stickThrottle.map((place) => Math.max(open, place)) };
      const [found] = findTricks(readTape(flownTape({ trace: left }, { hz: 250 })), flownBy);
      expect([open, found.kind]).toEqual([open, "flip"]);
      expect(found.measures.throttleInvertedMean).toBeCloseTo(open, 1);
    }
  }
});

it("finds nothing in a hover, and calls unsure what has a gap in it", () => {
  const tape = readTape(flownTape(flown("flip-one-move-back"), { hz: 500 }));
  const [flip] = findTricks(tape, flownBy);
  const cut = { ...tape, gaps: [{ fromS: flip.fromS + 0.1, toS: flip.fromS + 0.15 }] };
  expect(findTricks(cut, flownBy)[0].confidence).toBeLessThan(0.5);
  const hover = { ...tape.gyroDps, pitch: new Float32Array(tape.timeS.length) };
  expect(findTricks({ ...tape, gyroDps: hover }, flownBy)).toEqual([]);
});
