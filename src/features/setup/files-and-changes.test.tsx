import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import Papa from "papaparse";
import { firstSettings, rateDps, settingsFile, throttleOut } from "@/core";
import type { Aircraft } from "@/contract";
import { plank } from "@/ui/testing/made-up";
import { renderScreen } from "@/ui/testing/render-screen";
import { ChangeLine } from "./change-line";
import { curvesCsv } from "./curves-csv";
import { SetupFiles } from "./setup-files";

const aircraft: Aircraft = plank();

// jsdom's files cannot be read as text.
const file = (text: string, name: string) => Object.assign(new File([text], name), { text: async () => text });
const choose = (chosen: File) =>
  userEvent.upload(screen.getByLabelText("File with a setup"), chosen, { applyAccept: false });
const show = () => {
  const onRead = jest.fn();
  renderScreen(<SetupFiles aircraft={aircraft} hasSetup settings={firstSettings} reason="first" onRead={onRead} />, {
    address: "/setup?pilot=odo",
  });
  return onRead;
};

it("reads a setup into the screen, naming the file", async () => {
  const onRead = show();
  const settings = { ...firstSettings, tiltDeg: 33 };
  await choose(file(JSON.stringify(settingsFile(settings, "Gull", "steeper")), "gull.json"));
  expect(onRead).toHaveBeenCalledWith(settings, "gull.json");
});

it.each([
  ["photo.png", "x", "photo.png is not a JSON file"],
  ["half.json", '{"format":', "half.json is damaged or not a JSON file"],
  ["huge.json", `"${"x".repeat(70_000)}"`, "huge.json is larger than 64 kB; nothing of its kind is"],
  ["odd.json", "{}", "Camera tilt must be between 0 and 80°"],
  [
    "nan.json",
    JSON.stringify({ ...settingsFile(firstSettings, "", ""), settings: { ...firstSettings, tiltDeg: NaN } }),
    "Camera tilt must be between 0 and 80°",
  ],
  [
    "mark.json",
    JSON.stringify({ format: "<script>", version: 1, settings: firstSettings }),
    'Format is "<script>"; allowed: bathygon-setup',
  ],
])("refuses %s field by field and changes nothing", async (name, text, message) => {
  const onRead = show();
  await choose(file(text, name));
  expect(await screen.findByText(message)).toBeVisible();
  expect(screen.getByText("Nothing was changed.", { exact: false })).toBeVisible();
  expect(onRead).not.toHaveBeenCalled();
});

it("writes the curves as CSV that another parser reads back, with the values of the curves", () => {
  const { data, errors } = Papa.parse<Record<string, string>>(curvesCsv(firstSettings), {
    header: true,
    skipEmptyLines: true,
  });
  expect(errors).toEqual([]);
  expect(data).toHaveLength(101);
  const half = data[50];
  expect(Number(half.pitch_dps)).toBeCloseTo(rateDps(firstSettings.rates.pitch, 0.5), 2);
  expect(Number(half.throttle_percent)).toBeCloseTo(100 * throttleOut(firstSettings.throttle, 0.5), 2);
});

it.each([
  [{ attempts: 40, clean: 12 }, { attempts: 40, clean: 30 }, "better with 99 % chance"],
  [{ attempts: 40, clean: 30 }, { attempts: 40, clean: 12 }, "worse with 99 % chance"],
  [{ attempts: 20, clean: 10 }, { attempts: 20, clean: 11 }, "no clear difference"],
  [{ attempts: 20, clean: 10 }, { attempts: 5, clean: 5 }, "settling: 7 more attempts before judging"],
])("says what a change did: %p to %p is %s", (before, after, verdict) => {
  render(<ChangeLine change={{ stepName: "Slow flip", before, after }} />);
  expect(screen.getByText(verdict)).toBeVisible();
  expect(screen.getByText(/Slow flip/)).toHaveTextContent(`clean ${before.clean} of ${before.attempts} (`);
});

it("offers a card of the saved setup on both papers", () => {
  show();
  expect(screen.getByRole("link", { name: "Card, A6" })).toHaveAttribute("href", "/setup-card/plank/a6");
  expect(screen.getByRole("link", { name: "Card, A4" })).toHaveAttribute("href", "/setup-card/plank/a4");
});
