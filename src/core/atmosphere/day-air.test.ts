import { airDensity, airOfDay, coarseDay, densityOfDay, requireDayAir, STANDARD_DAY, standardTemperatureC } from ".";

it("has the standard atmosphere's temperatures and densities (ISO 2533, table 1)", () => {
  // Published to 0.01 K and four figures.
  for (const [elevationM, temperatureC, density] of [
    [0, 15, 1.225],
    [1000, 8.5, 1.1116],
    [2000, 2, 1.0065],
    [3000, -4.5, 0.9091],
  ]) {
    expect(standardTemperatureC(elevationM)).toBeCloseTo(temperatureC, 6);
    expect(densityOfDay({ ...STANDARD_DAY, elevationM })).toBeCloseTo(density, 3);
    // Said or not said, it is the same air.
    expect(airOfDay({ ...STANDARD_DAY, elevationM, temperatureC }).isaOffsetK).toBeCloseTo(0, 9);
  }
});

it("is thinner on a hot day as the gas law says: by the ratio of the absolute temperatures", () => {
  const hot = densityOfDay({ ...STANDARD_DAY, temperatureC: 40 });
  expect(hot / airDensity({ heightM: 0, isaOffsetK: 0 })).toBeCloseTo(288.15 / 313.15, 9);
});

it("is made coarse to the side of thinner air and more wind, and once coarse stays so", () => {
  const day = { elevationM: 412, temperatureC: 21.5, windMps: 2.2 };
  const coarse = coarseDay(day);
  expect(coarse).toEqual({ elevationM: 500, temperatureC: 25, windMps: 3 });
  expect(coarseDay(coarse)).toEqual(coarse);
  expect(coarseDay(STANDARD_DAY)).toEqual(STANDARD_DAY);
  expect(coarseDay({ elevationM: -3, temperatureC: -8, windMps: 0 })).toEqual({
    elevationM: 0,
    temperatureC: -5,
    windMps: 0,
  });
  expect(densityOfDay(coarse)).toBeLessThan(densityOfDay(day));
});

it("refuses a day by field", () => {
  expect(() => requireDayAir({ ...STANDARD_DAY, windMps: 41 })).toThrow(/^windMps is 41; allowed: 0 to 40$/);
  expect(() => requireDayAir({ ...STANDARD_DAY, temperatureC: Number.NaN })).toThrow(/^temperatureC is NaN/);
});
