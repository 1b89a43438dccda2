import { airframePresets, commandForThrust, hoverCommand, requireAirframe, thrustFraction, withMass } from ".";

const five = airframePresets["five-inch-freestyle"].airframe;

it("inverts the thrust curve for every preset, also a straight one", () => {
  const frames = [...Object.values(airframePresets).map((preset) => preset.airframe), { ...five, thrustCurve: 0 }];
  for (const airframe of frames) {
    for (let u = 0; u <= 1; u += 0.05) {
      expect(commandForThrust(airframe, thrustFraction(airframe, u))).toBeCloseTo(u, 10);
    }
  }
});

// Common practice, no source: throttle that hovers, by size of aircraft.
it.each([
  ["three-inch", 0.25, 0.3],
  ["five-inch-freestyle", 0.25, 0.3],
  ["seven-inch", 0.43, 0.45],
])("hovers a %s where pilots find it", (id, low, high) => {
  const command = hoverCommand(airframePresets[id].airframe);
  expect(command).toBeGreaterThanOrEqual(low);
  expect(command).toBeLessThanOrEqual(high);
});

it("refuses an airframe field by field", () => {
  expect(() => requireAirframe({ ...five, massKg: 0 })).toThrow(/airframe.massKg is 0; allowed: 0.01 to 25/);
  expect(() => requireAirframe({ ...five, inertiaKgM2: { x: 0, y: 1, z: 1 } })).toThrow(/airframe.inertiaKgM2.x is 0/);
  expect(() => requireAirframe({ ...five, thrustToWeight: Infinity })).toThrow(/airframe.thrustToWeight is Infinity/);
  expect(() => requireAirframe(undefined as never)).toThrow(/airframe.massKg is undefined/);
});

it("a heavier battery takes thrust over weight and adds inertia; the motors push as before", () => {
  const heavy = withMass(five, 2 * five.massKg);
  expect(heavy.thrustToWeight * heavy.massKg).toBeCloseTo(five.thrustToWeight * five.massKg, 12);
  expect(heavy.inertiaKgM2.y).toBeCloseTo(2 * five.inertiaKgM2.y, 12);
  expect(hoverCommand(heavy)).toBeGreaterThan(hoverCommand(five));
});
