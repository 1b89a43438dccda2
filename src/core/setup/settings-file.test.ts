import Ajv2020 from "ajv/dist/2020";
import fc from "fast-check";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { firstSettings } from "../flight";
import { readSettingsFile, settingsFile } from ".";

const schema = JSON.parse(readFileSync(join(__dirname, "../../server/files/setup.schema.json"), "utf8")) as object;
const matches = new Ajv2020({ strictTypes: false }).compile(schema);
const file = (): Record<string, never> =>
  JSON.parse(JSON.stringify(settingsFile(firstSettings, "Plank", "first"))) as Record<string, never>;
const problemsOf = (raw: unknown) => {
  const read = readSettingsFile(raw);
  return read.ok ? [] : read.problems.map(({ field }) => field);
};

it("what goes out matches the published schema and comes back the same", () => {
  expect([matches(file()), matches.errors]).toEqual([true, null]);
  expect(readSettingsFile(file())).toEqual({ ok: true, settings: firstSettings });
});

it("takes nothing in that it does not know", () => {
  const extra = { ...file(), settings: { ...(file().settings as object), surprise: "<b>", __proto__: { x: 1 } } };
  expect(readSettingsFile(extra)).toEqual({ ok: true, settings: firstSettings });
});

it("names everything that stands against a file at once, field by field", () => {
  const settings = JSON.parse(JSON.stringify(firstSettings)) as Record<string, Record<string, unknown>>;
  settings.throttle.mid = 7;
  (settings.rates.roll as Record<string, unknown>).rise = null;
  delete settings.rates.yaw;
  settings.modes.selfLevel = "yes";
  settings.modes.bankLimitDeg = 5;
  expect(problemsOf({ ...file(), version: 2, settings })).toEqual([
    "version",
    "rates.roll.rise",
    "rates.yaw.family",
    "throttle.mid",
    "modes.selfLevel",
    "modes.bankLimitDeg",
  ]);
});

it.each([
  null,
  undefined,
  [],
  "x",
  7,
  {},
  { format: "other" },
  { format: "bathygon-setup", version: 1 },
  { settings: [] },
])("refuses %p without falling over", (raw) => {
  expect(problemsOf(raw).length).toBeGreaterThan(0);
});

it("agrees with the schema about any spoilt file: what the one refuses, the other does", () => {
  const paths = [
    "rates.roll.base",
    "rates.pitch.expo",
    "rates.yaw.family",
    "throttle.mid",
    "throttle.limit.kind",
    "throttle.limit.fraction",
    "tiltDeg",
    "camera.aspect",
    "camera.verticalFovDeg",
    "modes.idleAuthority",
    "modes.bankLimitDeg",
  ];
  fc.assert(
    fc.property(
      fc.constantFrom(...paths),
      fc.oneof(fc.jsonValue(), fc.double({ min: -100, max: 200, noNaN: true })),
      (path, value) => {
        const spoilt = file() as unknown as { settings: Record<string, unknown> };
        const keys = path.split(".");
        let place = spoilt.settings;
        for (const key of keys.slice(0, -1)) place = place[key] as Record<string, unknown>;
        place[keys[keys.length - 1]] = value;
        // Another family brings other parameters; only the schema minds the old ones left over.
        if (path.endsWith("family")) return;
        const plain = JSON.parse(JSON.stringify(spoilt)) as unknown;
        expect(readSettingsFile(plain).ok).toBe(matches(plain));
      },
    ),
    { numRuns: 400 },
  );
});

it("reads a file from before the second number of the first family was called rise", () => {
  const { roll, ...rest } = firstSettings.rates;
  const { rise, ...curve } = roll as { family: string; base: number; rise: number; expo: number };
  const old = { ...curve, family: "base-super", super: rise };
  const file = {
    ...settingsFile(firstSettings, "Plank", "First"),
    settings: { ...firstSettings, rates: { roll: old, ...rest } },
  };
  expect(readSettingsFile(JSON.parse(JSON.stringify(file)))).toEqual({ ok: true, settings: firstSettings });
});
