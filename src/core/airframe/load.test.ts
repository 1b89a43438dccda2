import { airframePresets, airframeRanges, DomainError, hoverCommand, inducedSpeedMps } from "..";
import { loadedAirframe } from "./load";

const five = airframePresets["five-inch-freestyle"].airframe;

it("with a load the motors push as before: thrust over weight falls as the weight rises", () => {
  const heavy = loadedAirframe(five, { massKg: 0.82, thrustToWeight: null });
  expect(heavy.thrustToWeight).toBeCloseTo((five.thrustToWeight * five.massKg) / 0.82, 12);
  expect(hoverCommand(heavy)).toBeGreaterThan(hoverCommand(five));
});

it("takes the thrust that was measured with it in place of the one worked out", () => {
  const measured = loadedAirframe(five, { massKg: 0.82, thrustToWeight: 5.1 });
  expect(measured).toMatchObject({ massKg: 0.82, thrustToWeight: 5.1 });
  expect(measured.inertiaKgM2).toEqual(loadedAirframe(five, { massKg: 0.82, thrustToWeight: null }).inertiaKgM2);
});

it("a rotor blows its air down as fast as its thrust asks for, whatever hangs under it (momentum theory, Leishman 2006, 2.2)", () => {
  const thrustN = (five.thrustToWeight * five.massKg * 9.80665) / 4;
  const discM2 = Math.PI * (five.propellerDiameterM / 2) ** 2;
  expect(inducedSpeedMps(five)).toBeCloseTo(Math.sqrt(thrustN / (2 * 1.225 * discM2)), 6);
  expect(inducedSpeedMps(loadedAirframe(five, { massKg: 0.9, thrustToWeight: null }))).toBeCloseTo(
    inducedSpeedMps(five),
    9,
  );
});

it("refuses what nothing could fly with, and names it", () => {
  const [least, most] = airframeRanges.massKg;
  for (const massKg of [0, least / 2, most * 2, NaN])
    expect(() => loadedAirframe(five, { massKg, thrustToWeight: null })).toThrow(DomainError);
  expect(() => loadedAirframe(five, { massKg: 0.7, thrustToWeight: 0.5 })).toThrow(/thrustToWeight/);
});
