import { airframePresets } from "../airframe";
import { STANDARD_DAY } from "../atmosphere";
import { firstSettings } from "../flight";
import { CALM_AIR, draftBrief, environmentOn, fly, recipes, solveTrick, startTrim, windAdvice } from ".";

const { airframe } = airframePresets["five-inch-freestyle"];
const settings = { ...firstSettings, tiltDeg: 25 };
const windy = { ...STANDARD_DAY, windMps: 5 };
const solved = (id: string) => solveTrick(recipes[id], airframe, settings, environmentOn(windy)).recipe;

it("has no advice in a calm", () => {
  expect(windAdvice(solved("hang-right"), airframe, settings, STANDARD_DAY)).toBeNull();
});

it("drifts with the air: less than the wind times the time, and more the longer it takes", () => {
  const drift = (id: string) => {
    const recipe = solved(id);
    const { durationS } = fly(recipe, airframe, settings, { ...CALM_AIR, entryHeightM: 100 }).measures;
    return { ...windAdvice(recipe, airframe, settings, windy)!, durationS };
  };
  const [short, long] = [drift("flip-one-move-back"), drift("flip-slow-back")];
  for (const { driftM, sideDriftM, crabDeg, durationS } of [short, long]) {
    expect(driftM).toBeGreaterThan(1);
    // Begun holding a place, it is carried along ever faster, never faster than the wind.
    expect(driftM).toBeLessThan(5 * durationS);
    expect(sideDriftM).toBeGreaterThan(1);
    expect(crabDeg).toBeNull();
  }
  expect(long.driftM).toBeGreaterThan(short.driftM);
});

it("crabs by the wind triangle of the pilot's handbook: sin of the angle is wind over air speed (FAA-H-8083-25, ch. 16)", () => {
  const recipe = solved("roll-level-right");
  const { trimSpeedMps } = startTrim(recipe, airframe, settings, environmentOn(STANDARD_DAY)).figures;
  const { crabDeg } = windAdvice(recipe, airframe, settings, windy)!;
  expect(Math.sin((crabDeg! * Math.PI) / 180)).toBeCloseTo(5 / trimSpeedMps, 6);
});

it("puts the wind of a day where the pilot faces it", () => {
  expect(environmentOn(windy)).toMatchObject({ windNorthMps: -5, windEastMps: 0 });
  expect(environmentOn(windy, "wind-from-left")).toMatchObject({ windNorthMps: 0, windEastMps: 5 });
  expect(environmentOn(windy, "downwind").windNorthMps).toBe(5);
  expect(environmentOn({ elevationM: 1450, temperatureC: 21, windMps: 0.2 })).toMatchObject({
    siteElevationM: 1500,
    isaOffsetK: 25 - (15 - 9.75),
    windNorthMps: -1,
  });
});

it.each([
  "stop-course",
  "land-stop",
  "bail-wall",
  "orbit-left",
  "rewind",
  "loop-over-float",
  "spin-inverted-wag-right",
])("in a fresh wind %s is flown facing it: approaches hold their pace over the ground", (id) => {
  const { problem, flight, recipe } = draftBrief(
    recipes[id],
    airframe,
    settings,
    environmentOn({ ...STANDARD_DAY, windMps: 6 }),
  );
  expect(problem).toBeNull();
  if (recipe.ends === "landed") expect(flight.measures.offSpotM!).toBeLessThan(1.5);
});
