import { firstSettings, levelTurnRates, rateDps } from "@/core";
import { pdfOf } from "@/server/files";
import type { Aircraft, Pilot, Setup } from "@/contract";
import { plank } from "@/ui/testing/made-up";
import { cardContent } from "./card-content";

const pilot: Pilot = {
  id: "odo",
  squadId: "squad",
  name: "Ödo Fenn",
  stickMode: 2,
  grip: "thumbs",
  settingsFrozen: false,
  reactionS: null,
  cruiseMps: null,
  reachShare: null,
  stickLengthMm: null,
  referenceAircraftId: null,
  school: {},
  version: 1,
};
const aircraft: Aircraft = plank();
const setup: Setup = {
  id: "setup",
  aircraftId: "plank",
  number: 3,
  settings: { ...firstSettings, tiltDeg: 30 },
  reason: "steeper for the loops ".repeat(14),
  coachId: "ann",
  coachName: "Ann Pell",
  createdAtMs: Date.UTC(2026, 10, 2),
};

/** As many as a skill has. */
const heights = {
  day: { elevationM: 412, temperatureC: null, windMps: 2 },
  timeZone: "Asia/Kathmandu",
  lines: Array.from({ length: 12 }, (_, i) => ({ name: `Flip ${i}, backward`, heightM: i < 6 ? 8.3 + i : null })),
};

/** Every text of a document, in order. */
function textsOf(node: unknown): string[] {
  if (typeof node === "string") return [node];
  if (Array.isArray(node)) return node.flatMap(textsOf);
  if (node === null || typeof node !== "object") return [];
  const { text, content, columns, stack, table, body } = node as Record<string, unknown>;
  return [text, content, columns, stack, table, body].flatMap(textsOf);
}

it.each([
  // Paper sizes of ISO 216 in points of 1/72 inch.
  ["a6", 105, 148],
  ["a4", 210, 297],
] as const)("makes one page of paper %s, however long the reason", async (paper, widthMm, heightMm) => {
  const pdf = Buffer.from(await pdfOf(cardContent(pilot, aircraft, setup, paper, heights))).toString("latin1");
  expect(pdf.slice(0, 5)).toBe("%PDF-");
  expect(pdf.match(/\/Type \/Page\b(?!s)/g)).toHaveLength(1);
  const [, width, height] = pdf.match(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/)!;
  expect(Number(width) / 72).toBeCloseTo(widthMm / 25.4, 1);
  expect(Number(height) / 72).toBeCloseTo(heightMm / 25.4, 1);
});

it("is in feet and degrees Fahrenheit where those were chosen", () => {
  const day = { ...heights.day, temperatureC: 20 };
  const said = textsOf(cardContent(pilot, aircraft, setup, "a6", { ...heights, day }, "imperial")).join("|");
  expect(said).toContain("at 1640\u202fft, 68\u202f°F, wind to 7\u202fft/s");
  expect(said).toContain("27\u202fft");
  expect(said).not.toMatch(/\d\s(m|m\/s|°C)\b/);
});

it("says the same figures as the curves and the turn arithmetic", () => {
  const texts = textsOf(cardContent(pilot, aircraft, setup, "a6", heights));
  expect(texts).toContain("Plank, setup 3");
  expect(texts).toContain("Minimum start height, at 500\u202fm, standard air, wind to 2\u202fm/s");
  expect(texts.slice(texts.indexOf("Flip 0, backward ")).slice(0, 2)).toEqual(["Flip 0, backward ", "8.3\u202fm"]);
  expect(texts).toContain("6 more not worked out yet");
  expect(texts).toContain(rateDps(setup.settings.rates.roll, 1).toFixed(0));
  // In a level turn at 30 degrees of tilt roll is half the turning rate (sin 30).
  expect(levelTurnRates(30, 90).rollDps).toBeCloseTo(45);
  const stick = texts.find((_, i) => texts[i - 1] === "Turn, horizon level, 90\u00a0°/s")!;
  expect(rateDps(setup.settings.rates.roll, Number.parseInt(stick) / 100)).toBeCloseTo(45, -1);
});

it("its curves are those of the setup: the rate at half and full stick stands as high as it is, in hundredths of the frame", () => {
  const [{ svg }] = (
    cardContent(pilot, aircraft, setup, "a6", heights).content as { columns?: { svg: string }[] }[]
  ).find(({ columns }) => columns?.[0].svg)!.columns!;
  const drawn = [...svg.matchAll(/<path d="(M[^"]+)" fill="none"[^>]*stroke="(#[^"]+)" stroke-width="12"/g)];
  const yaw = drawn
    .at(-1)![1]
    .match(/-?[\d.]+/g)!
    .map(Number);
  // The frame is 770 dots high, its foot at 860, and ends at the next hundred above the fastest axis.
  const shownDps = (point: number) => ((860 - yaw[2 * point + 1]) / 770) * 700;
  expect(yaw).toHaveLength(2 * 51);
  expect(shownDps(25)).toBeCloseTo(rateDps(firstSettings.rates.yaw, 0.5), -0.5);
  expect(shownDps(50)).toBeCloseTo(rateDps(firstSettings.rates.yaw, 1), -0.5);
});
