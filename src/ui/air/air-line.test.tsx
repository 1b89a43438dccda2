import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { STANDARD_DAY, type DayAir } from "@/core";
import { standardDay, type Day } from "@/syllabus";
import { renderScreen } from "../testing/render-screen";
import { AirLine, airInWords } from "./air-line";

const atPans: Day = {
  air: { elevationM: 1240, temperatureC: 31, windMps: 4 },
  from: { kind: "session", siteName: "Evaporation pans" },
};

it("says where the air comes from, how high, how warm and how windy, in the units chosen", () => {
  expect(airInWords(standardDay, "metric")).toMatch(/^sea level, 15\s°C \(standard\), calm$/);
  expect(airInWords(atPans, "metric")).toMatch(/^Evaporation pans, 1240\sm, 31\s°C, wind 4\.0\sm\/s$/);
  expect(airInWords(atPans, "imperial")).toMatch(/^Evaporation pans, 4068\sft, 88\s°F, wind/);
  const unsaid: Day = { ...atPans, from: { kind: "session", siteName: "Evaporation pans", elevationUnknown: true } };
  expect(airInWords(unsaid, "metric")).toContain("elevation not set: as at sea level");
  // ISO 2533: 6.5 °C colder for each 1,000 m.
  const high: Day = { ...atPans, air: { ...atPans.air, elevationM: 2000, temperatureC: null, windMps: 0 } };
  expect(airInWords(high, "metric")).toMatch(/2000\sm, 2\s°C \(standard\), calm$/);
});

function Looked({ day }: { day: Day }) {
  const [air, setAir] = useState<DayAir>(day.air);
  return (
    <>
      <AirLine day={day} air={air} onChange={setAir} />
      <output>{JSON.stringify(air)}</output>
    </>
  );
}
const air = () => JSON.parse(screen.getByRole("status", { hidden: true }).textContent!) as DayAir;

it("is changed here and now, worked out to the worse side of it, and put back", async () => {
  renderScreen(<Looked day={standardDay} />);
  expect(screen.getByText(/Set a site/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Change the air" }));
  const dialog = screen.getByRole("dialog", { name: "Air of the day" });
  const type = async (label: string, text: string) => {
    const field = within(dialog).getByLabelText(label);
    await userEvent.clear(field);
    await userEvent.type(field, text);
  };
  await type("Elevation, m", "1230");
  await type("Temperature, °C", "31,5");
  await type("Wind, m/s", "3.2");
  expect(air()).toEqual({ elevationM: 1230, temperatureC: 31.5, windMps: 3.2 });
  const coarse = within(dialog).getByText(/^Worked out for/).textContent!;
  const [heightM, warmC, windMps] = coarse.match(/-?\d+/g)!.map(Number);
  expect(heightM).toBeGreaterThanOrEqual(1230);
  expect(warmC).toBeGreaterThanOrEqual(31);
  expect(windMps).toBeGreaterThanOrEqual(3);
  await userEvent.keyboard("{Escape}");
  await userEvent.click(await screen.findByRole("button", { name: "As it was" }));
  expect(air()).toEqual(STANDARD_DAY);
});

it("names what no air can be, and goes on with what it had", async () => {
  renderScreen(<Looked day={atPans} />);
  await userEvent.click(screen.getByRole("button", { name: "Change the air" }));
  const wind = screen.getByLabelText("Wind, m/s");
  await userEvent.clear(wind);
  await userEvent.type(wind, "99");
  expect(screen.getByText("0 to 40")).toBeVisible();
  expect(air().windMps).toBe(9);
  // The temperature may stay empty: then it is standard; the wind may not.
  await userEvent.clear(screen.getByLabelText("Temperature, °C"));
  expect(air().temperatureC).toBeNull();
  await userEvent.clear(wind);
  expect(screen.getByText("0 to 40")).toBeVisible();
});
