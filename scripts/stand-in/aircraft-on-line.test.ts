import { firstSettings, settingsFile } from "@/core";
import { AircraftOnLine } from "./aircraft-on-line";

function onLine() {
  const lines: string[] = [];
  const aircraft = new AircraftOnLine("Tamsel Orrick", 100, 4, (line) => lines.push(line));
  const answers = () => lines.filter((line) => line.startsWith("{")).map((line) => JSON.parse(line) as object);
  const asked = (question: object) => {
    aircraft.hear(JSON.stringify(question));
    return answers().at(-1);
  };
  return { aircraft, lines, asked };
}

it("says its names first, then a frame every hundredth of a second, and flies after a while on the ground", () => {
  const { aircraft, lines } = onLine();
  aircraft.flyTo(12);
  expect(lines[0]).toMatch(/^time_s,stick_roll/);
  expect(lines.length).toBeGreaterThan(1150);
  const throttleAt = (row: number) => Number(lines[row].split(",")[4]);
  expect(throttleAt(100)).toBe(0);
  expect(throttleAt(1100)).toBeGreaterThan(0.2);
});

it("takes settings on the ground only, by the published schema, and forgets them at a restart until they are saved", () => {
  const { aircraft, asked } = onLine();
  const file = settingsFile(firstSettings, "Plank", "test");
  aircraft.flyTo(8);
  expect(asked({ write: file })).toEqual({ refused: "armed" });
  expect(asked({ save: true })).toEqual({ refused: "armed" });
  aircraft.hear('{"land":true}');
  aircraft.flyTo(30);
  const before = asked({ read: "settings" });
  expect(asked({ write: { ...file, settings: { ...firstSettings, tiltDeg: 900 } } })).toEqual({
    refused: "settings",
    field: "tiltDeg",
  });
  expect(asked({ write: file })).toEqual({ written: true });
  expect(asked({ read: "settings" })).toMatchObject({
    saved: false,
    setup: { settings: { tiltDeg: firstSettings.tiltDeg } },
  });
  aircraft.hear('{"misbehave":"restart"}');
  expect(asked({ read: "settings" })).toEqual(before);
  expect(asked({ write: file })).toEqual({ written: true });
  expect(asked({ save: true })).toEqual({ saved: true });
  aircraft.hear('{"misbehave":"restart"}');
  expect(asked({ read: "settings" })).toMatchObject({
    saved: true,
    setup: { settings: { tiltDeg: firstSettings.tiltDeg } },
  });
});

it("says where its mode switch stands, and turns nothing over but in rates", () => {
  const { aircraft, lines, asked } = onLine();
  expect(asked({ read: "settings" })).toMatchObject({
    modes: { at: 2, places: ["self-level", "bank limit", "rates"] },
  });
  expect(asked({ switch: 7 })).toEqual({ refused: "no-such-place", field: "switch" });
  expect(asked({ switch: 0 })).toMatchObject({ modes: { at: 0 } });
  const fastest = (untilS: number) => {
    const from = lines.length;
    aircraft.flyTo(untilS);
    const rows = lines.slice(from).map((line) => line.split(",").map(Number));
    return Math.max(...rows.flatMap((row) => [5, 6, 7].map((at) => Math.abs(row[at]))));
  };
  expect(fastest(60)).toBeLessThan(200);
  aircraft.hear('{"switch":2}');
  expect(fastest(110)).toBeGreaterThan(250);
});

it("answers whatever it is told, and falls for nothing", () => {
  const { aircraft, lines } = onLine();
  for (const line of [
    "",
    "nope",
    "null",
    "[]",
    '{"write":null}',
    '{"misbehave":"dance"}',
    '{"__proto__":{"save":true}}',
  ])
    expect(() => aircraft.hear(line)).not.toThrow();
  expect(lines.filter((line) => line.includes("refused")).length).toBeGreaterThanOrEqual(5);
});
