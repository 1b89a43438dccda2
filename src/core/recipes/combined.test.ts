import { airframePresets } from "../airframe";
import { toEuler } from "../attitude";
import { firstSettings } from "../flight";
import { wrapDeg } from "../numbers";
import { CALM_AIR, draftBrief, fly, indexAt, recipes, seenShare, withParameters, type Recipe, type Trace } from ".";

const { airframe } = airframePresets["five-inch-freestyle"];
const settings = { ...firstSettings, tiltDeg: 25 };
const high = { ...CALM_AIR, entryHeightM: 60 };

/** The trick as solved, flown high up. */
function flown(recipe: Recipe) {
  const brief = draftBrief(recipe, airframe, settings, CALM_AIR);
  expect(brief.problem).toBeNull();
  return { recipe: brief.recipe, flight: brief.flight, measures: brief.flight.measures };
}
const phaseAt = (recipe: Recipe, id: string) => recipe.phases.findIndex((phase) => phase.id === id);
/** Samples of a phase. */
const within = (recipe: Recipe, trace: Trace, id: string) =>
  trace.timeS.map((_, i) => i).filter((i) => trace.phase[i] === phaseAt(recipe, id));
const attitudeAt = ({ qw, qx, qy, qz }: Trace, i: number) => toEuler({ w: qw[i], x: qx[i], y: qy[i], z: qz[i] });

describe("into the orbit looking back", () => {
  // Roll and yaw opposed, p = −Ω sin θ and r = Ω cos θ, pitch at rest (rates of a turn about straight down; Etkin, from memory).
  it.each(["orbit-back-roll-right", "orbit-back-fall-right"])(
    "%s ends in its state, from level flight past it",
    (id) => {
      const { recipe, flight, measures } = flown(recipes[id]);
      const { trace } = flight;
      expect(trace.rollDps[0]).toBe(0);
      expect(trace.yawDps[0]).toBe(0);
      expect(Math.abs(attitudeAt(trace, 0).rollDeg)).toBeLessThan(1);
      const round = within(recipe, trace, "orbit");
      const settled = round.slice(Math.floor(round.length / 3));
      const mean = (column: readonly number[]) => settled.reduce((sum, i) => sum + column[i], 0) / settled.length;
      const rad = (76.5 * Math.PI) / 180;
      expect(mean(trace.rollDps)).toBeCloseTo(-230 * Math.sin(rad), -1);
      expect(Math.abs(mean(trace.yawDps) - 230 * Math.cos(rad))).toBeLessThan(15);
      expect(Math.abs(mean(trace.pitchDps))).toBeLessThan(10);
      // The camera, 25° up from the nose, stands near 78.5°, past straight up.
      expect(Math.abs(mean(trace.viewElevationDeg) - 78.5)).toBeLessThan(4);
      expect(mean(trace.thrustG)).toBeGreaterThan(3.5);
      expect(mean(trace.thrustG)).toBeLessThan(5);
      expect(measures.heightLostM).toBeLessThan(2);
      expect(measures.stickWander!).toBeLessThan(0.1);
    },
  );

  it("is refused by its numbers where the aircraft has not the thrust, the lead-in notwithstanding", () => {
    const weak = airframePresets["seven-inch"].airframe;
    expect(() => fly(recipes["orbit-back-roll-right"], weak, settings, high)).toThrow(/needs 4\.\d g/);
  });
});

it("a rising flat spin comes once round level, over its place, and ends higher", () => {
  const { measures, flight } = flown(recipes["spin-rise-right"]);
  expect(measures.heightGainedM).toBeGreaterThan(3);
  expect(Math.hypot(measures.alongM, measures.acrossM)).toBeLessThan(0.2);
  expect(measures.horizonLeanDeg!).toBeLessThan(5);
  expect(Math.max(...flight.trace.turnedYawDeg.map(Math.abs))).toBeGreaterThan(340);
});

it.each(["spin-gap-right", "spin-gap-left", "split-s-gap-right", "split-s-gap-left"])(
  "%s passes the middle of its gap",
  (id) => {
    const { flight, recipe, measures } = flown(recipes[id]);
    const [gap] = flight.obstacles;
    expect(gap.kind).toBe("gap");
    const i = within(recipe, flight.trace, id.startsWith("spin") ? "spin" : "away").find(
      (at) => Math.abs(flight.trace.northM[at] - gap.alongM) < 0.15,
    )!;
    expect(Math.abs(flight.trace.eastM[i] - gap.acrossM)).toBeLessThan(0.3);
    expect(flight.trace.heightM[i]).toBeLessThan(gap.heightM);
    // Posts, beam and the ground are further off than half of it is wide.
    expect(measures.clearanceM!).toBeGreaterThan(0.2);
    expect(measures.crashed).toBe(false);
  },
);

it("a level spin through a gap is half way round in it", () => {
  const { flight } = flown(recipes["spin-gap-right"]);
  const { trace } = flight;
  const i = trace.northM.findIndex((north) => north >= flight.obstacles[0].alongM);
  expect(Math.abs(Math.abs(wrapDeg(trace.viewHeadingDeg[i])) - 180)).toBeLessThan(45);
});

it("upside-down tracking keeps its object in the picture, and loses it if nobody follows", () => {
  const { recipe, flight } = flown(recipes["track-inverted-right"]);
  const camera = { ...settings.camera, tiltDeg: settings.tiltDeg };
  const share = ({ trace, looksAt }: typeof flight) => {
    const track = within(recipe, trace, "track");
    return seenShare(trace, looksAt!.object, camera, track[0], track[track.length - 1]);
  };
  expect(share(flight)).toBeGreaterThan(0.9);
  const end = flight.trace.timeS[within(recipe, flight.trace, "spin-stop")[0]];
  const at = indexAt(flight.trace, end);
  const { yawDeg } = attitudeAt(flight.trace, at);
  const { northM, eastM } = flight.looksAt!.object;
  const toIt = (Math.atan2(eastM - flight.trace.eastM[at], northM - flight.trace.northM[at]) * 180) / Math.PI;
  expect(Math.abs(wrapDeg(yawDeg - toIt))).toBeLessThan(8);
  const unfollowed = withParameters(recipe, { besideM: 30, behindM: 2 });
  const still = {
    ...unfollowed,
    phases: unfollowed.phases.map((phase) => (phase.id === "track" ? { ...phase, yaw: undefined } : phase)),
  };
  const away = fly(still, airframe, settings, high);
  const track = within(still, away.trace, "track");
  expect(seenShare(away.trace, away.looksAt!.object, camera, track[0], track[track.length - 1])).toBeLessThan(0.5);
});

it("half a loop rolled out leaves the other way, higher, upright", () => {
  const { measures } = flown(recipes["loop-half-right"]);
  expect(Math.abs(Math.abs(wrapDeg(measures.headingChangeDeg)) - 180)).toBeLessThan(1);
  expect(measures.heightGainedM).toBeGreaterThan(2);
  expect(measures.timeInvertedS).toBeGreaterThan(0.2);
});

it("out of a swoop it rolls the way it travels, and comes back to its height", () => {
  const { recipe, flight, measures } = flown(recipes["swoop-roll-right"]);
  const [first] = within(recipe, flight.trace, "turn");
  const { vNorthMps, vEastMps } = flight.trace;
  // Yawed a quarter to the right it travels to its left.
  expect(vNorthMps[first]).toBeGreaterThan(3);
  expect(Math.abs(vEastMps[first])).toBeLessThan(0.4 * vNorthMps[first]);
  expect(Math.abs(measures.headingChangeDeg - 90)).toBeLessThan(10);
  expect(measures.heightLostM).toBeGreaterThan(5);
  expect(Math.abs(measures.heightGainedM)).toBeLessThan(0.5);
});

describe("a bail in a side wind", () => {
  it("stops short of the wall near its line, leant into the wind", () => {
    const { flight, measures, recipe } = flown(recipes["bail-wind-right"]);
    expect(measures.clearanceM!).toBeGreaterThan(1);
    expect(Math.abs(measures.acrossM)).toBeLessThan(3);
    // The wind comes from the right; the lean is to the right.
    const approach = within(recipe, flight.trace, "approach");
    expect(attitudeAt(flight.trace, approach[approach.length - 1]).rollDeg).toBeGreaterThan(1);
  });

  it("takes at least the wind it is about, and the day's where that is more", () => {
    const drift = (windMps: number) => {
      const level = {
        ...recipes["bail-wind-right"],
        phases: [{ ...recipes["bail-wind-right"].phases[0], roll: undefined }],
      };
      return fly(level, airframe, settings, { ...high, windNorthMps: -windMps }).measures.acrossM;
    };
    expect(drift(0)).toBeLessThan(-0.2);
    expect(drift(3)).toBeCloseTo(drift(0), 9);
    expect(drift(9)).toBeLessThan(drift(0));
  });
});
