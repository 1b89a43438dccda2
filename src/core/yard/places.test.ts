import { Body, Equator, Horizon, Observer, SearchAltitude, SearchRiseSet } from "astronomy-engine";
import { Geodesic } from "geographiclib-geodesic";
import { Solver } from "odex";
import { airframePresets } from "../airframe";
import { airDensity, densityAltitudeM, standardTemperatureC } from "../atmosphere";
import { crab, dayLight, intoSun, planeErrorM, sunAt, throwDistanceM, toEarth, toPlan } from ".";

const { airframe } = airframePresets["five-inch-freestyle"];
const HOUR_MS = 3_600_000;
const places = [
  { latitudeDeg: 52.4, longitudeDeg: 4.6 },
  { latitudeDeg: -33.9, longitudeDeg: 18.4 },
  { latitudeDeg: 0.2, longitudeDeg: -78.5 },
  { latitudeDeg: 66.5, longitudeDeg: 25.7 },
];

it("has the sun where the worked example of the solar position algorithm has it (Reda and Andreas, NREL/TP-560-34302, table A5.1)", () => {
  const atMs = Date.UTC(2003, 9, 17, 19, 30, 30);
  const { azimuthDeg, elevationDeg } = sunAt({ latitudeDeg: 39.742476, longitudeDeg: -105.1786, atMs });
  expect(azimuthDeg).toBeCloseTo(194.34, 1);
  expect(Math.abs(elevationDeg - (90 - 50.11162))).toBeLessThan(0.02);
});

it("agrees with an ephemeris on sun, sunset and the end of civil twilight", () => {
  for (const { latitudeDeg, longitudeDeg } of places)
    for (const month of [0, 3, 8, 11]) {
      const observer = new Observer(latitudeDeg, longitudeDeg, 0);
      const noonMs = Date.UTC(2026, month, 21, 12) - (longitudeDeg / 15) * HOUR_MS;
      for (const hours of [-3, 0, 2.5]) {
        const date = new Date(noonMs + hours * HOUR_MS);
        const { ra, dec } = Equator(Body.Sun, date, observer, true, true);
        const known = Horizon(date, observer, ra, dec, "normal");
        if (known.altitude < 1) continue;
        const { azimuthDeg, elevationDeg } = sunAt({ latitudeDeg, longitudeDeg, atMs: date.getTime() });
        expect(Math.abs(elevationDeg - known.altitude)).toBeLessThan(0.05);
        // Overhead a direction says little: held against how far apart the two are in the sky.
        const apart = Math.abs(((azimuthDeg - known.azimuth + 540) % 360) - 180);
        expect(apart * Math.cos((known.altitude * Math.PI) / 180)).toBeLessThan(0.05);
      }
      const { sunsetMs, duskMs, allDay } = dayLight({ latitudeDeg, longitudeDeg, atMs: noonMs });
      const sets = SearchRiseSet(Body.Sun, observer, -1, new Date(noonMs), 0.9);
      const dusk = SearchAltitude(Body.Sun, observer, -1, new Date(noonMs), 0.9, -6);
      if (sets && sunsetMs !== null) expect(Math.abs(sunsetMs - sets.date.getTime())).toBeLessThan(3 * 60_000);
      else expect(allDay).not.toBeNull();
      if (dusk && duskMs !== null) expect(Math.abs(duskMs - dusk.date.getTime())).toBeLessThan(3 * 60_000);
    }
});

it("knows who looks into a low sun, and that a high one or one behind does nothing", () => {
  const low = { azimuthDeg: 350, elevationDeg: 12 };
  expect([10, 340, 90, 170].map((heading) => intoSun(heading, low))).toEqual([true, true, false, false]);
  expect(intoSun(350, { ...low, elevationDeg: 26 })).toBe(false);
  expect(intoSun(350, { ...low, elevationDeg: -1 })).toBe(false);
});

it("has the density altitude of ISO 2533: the elevation itself on a standard day, and the height of equal density on any other", () => {
  for (const elevationM of [-200, 0, 840, 2500])
    expect(densityAltitudeM({ elevationM, temperatureC: standardTemperatureC(elevationM) })).toBeCloseTo(elevationM, 3);
  const hot = densityAltitudeM({ elevationM: 600, temperatureC: 35 });
  const here = airDensity({ heightM: 600, isaOffsetK: 35 - standardTemperatureC(600) });
  expect(airDensity({ heightM: hot, isaOffsetK: 0 })).toBeCloseTo(here, 6);
  // 120 ft a degree: common practice, no source.
  const perDegreeFt =
    (densityAltitudeM({ elevationM: 0, temperatureC: 25 }) - densityAltitudeM({ elevationM: 0, temperatureC: 15 })) /
    3.048;
  expect(perDegreeFt).toBeGreaterThan(112);
  expect(perDegreeFt).toBeLessThan(124);
  // 27 ft a hectopascal near the ground: common practice, no source. Density falls a little more slowly than pressure.
  const low = densityAltitudeM({ elevationM: 0, temperatureC: 15, pressureHpa: 1003.25 });
  expect(low / 10).toBeGreaterThan(8.2);
  expect(low / 10).toBeLessThan(10.5);
});

it("lies true to the earth's ellipsoid within the error it states (GeographicLib as reference)", () => {
  for (const origin of places)
    for (const m of [50, 400, 2000])
      for (const azimuth of [0, 45, 100, 215, 300]) {
        const { lat2, lon2 } = Geodesic.WGS84.Direct(origin.latitudeDeg, origin.longitudeDeg, azimuth, m);
        const point = toPlan(origin, { latitudeDeg: lat2!, longitudeDeg: lon2! });
        const [east, north] = [m * Math.sin((azimuth * Math.PI) / 180), m * Math.cos((azimuth * Math.PI) / 180)];
        const off = Math.hypot(point.eastM - east, point.northM - north);
        expect(off).toBeLessThanOrEqual(1.05 * planeErrorM(origin, m) + 1e-4);
        const back = toEarth(origin, point);
        expect(back.latitudeDeg).toBeCloseTo(lat2!, 10);
        expect(back.longitudeDeg).toBeCloseTo(lon2!, 10);
      }
  expect(planeErrorM(places[0], 300)).toBeLessThan(0.02);
  // Over the date line it goes on.
  expect(
    toPlan({ latitudeDeg: 0, longitudeDeg: 179.999 }, { latitudeDeg: 0, longitudeDeg: -179.999 }).eastM,
  ).toBeCloseTo(222.64, 1);
});

it("throws a heavy, slippery body along the parabola of the textbooks", () => {
  const slippery = { ...airframe, massKg: 20, dragAreaM2: { x: 0.0001, y: 0.0001, z: 0.0001 } };
  const g = 9.80665;
  for (const [speedMps, climbMps, heightM] of [
    [6, 0, 3],
    [15, 8, 20],
    [10, -4, 12],
    [12, 5, 0],
  ]) {
    const flown = throwDistanceM(slippery, { speedMps, climbMps, heightM, air: { heightM: 0, isaOffsetK: 0 } });
    const closed = (speedMps * (climbMps + Math.sqrt(climbMps * climbMps + 2 * g * heightM))) / g;
    expect(flown / closed).toBeCloseTo(1, 3);
  }
});

it("throws with drag as a general-purpose integrator does, and farther with the wind", () => {
  const lost = { speedMps: 22, climbMps: 6, heightM: 30, air: { heightM: 0, isaOffsetK: 0 } };
  const { massKg, dragAreaM2 } = airframe;
  const k = (0.5 * 1.225 * Math.min(dragAreaM2.x, dragAreaM2.y, dragAreaM2.z)) / massKg;
  const solver = new Solver(4);
  solver.absoluteTolerance = solver.relativeTolerance = 1e-10;
  const fall = (t: number) =>
    solver.solve(
      (_, [, , u, w]) => {
        const v = Math.hypot(u, w);
        return [u, w, -k * v * u, -k * v * w - 9.80665];
      },
      0,
      [0, 30, 22, 6],
      t,
    ).y;
  let [low, high] = [0, 20];
  for (let i = 0; i < 60; i++) {
    const middle = 0.5 * (low + high);
    if (fall(middle)[1] > 0) low = middle;
    else high = middle;
  }
  const flown = throwDistanceM(airframe, lost);
  expect(flown).toBeCloseTo(fall(low)[0], 3);
  expect(throwDistanceM(airframe, { ...lost, windMps: 8 })).toBeGreaterThan(flown);
  expect(throwDistanceM(airframe, { ...lost, speedMps: 0 })).toBeCloseTo(0, 9);
  expect(() => throwDistanceM(airframe, { ...lost, heightM: -1 })).toThrow(/^heightM is -1/);
});

it("holds a track in wind: heading and speed and wind add up to the way over the ground", () => {
  for (const [trackDeg, windFromDeg, windMps] of [
    [0, 90, 5],
    [200, 340, 8],
    [45, 45, 6],
  ]) {
    const { headingDeg, groundSpeedMps } = crab({ trackDeg, airSpeedMps: 12, windFromDeg, windMps });
    const way = (deg: number, mps: number) => [
      mps * Math.sin((deg * Math.PI) / 180),
      mps * Math.cos((deg * Math.PI) / 180),
    ];
    const [air, wind, ground] = [way(headingDeg, 12), way(windFromDeg + 180, windMps), way(trackDeg, groundSpeedMps)];
    expect(air[0] + wind[0]).toBeCloseTo(ground[0], 9);
    expect(air[1] + wind[1]).toBeCloseTo(ground[1], 9);
  }
  expect(crab({ trackDeg: 0, airSpeedMps: 10, windFromDeg: 90, windMps: 5 }).crabDeg).toBeCloseTo(30, 9);
  expect(() => crab({ trackDeg: 0, airSpeedMps: 5, windFromDeg: 0, windMps: 6 })).toThrow(/^windMps is 6/);
});
