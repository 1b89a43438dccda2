import { usualRules } from "@/core";
import { builtInSyllabus, digestSteps, offersOf } from "@/syllabus";
import type { BlockReason } from "@/contract";
import type { Attempt, Outcome } from "@/core";
import { isBlockReason } from ".";

const DAY_MS = 86_400_000;

it("every reason for which the program offers something is one", () => {
  const outcomes: readonly Outcome[] = ["clean", "rough", "bailed", "crashed"];
  const flown = (stepId: string, day: number, letters: string): (Attempt & { readonly stepId: string })[] =>
    [...letters].map((letter, i) => ({
      stepId,
      direction: i % 2 === 0 ? "back" : "front",
      outcome: outcomes["crbx".indexOf(letter)],
      place: "field",
      setupId: null,
      atMs: day * DAY_MS + i * 60_000,
    }));
  const kinds = new Set<string>();
  for (const letters of ["", "c", "cccccccc", "rrrrrrrrrr", "ccrcxxxx", "crcrcrcr"])
    for (const signedOff of [[], ["fp-hover", "stop-course", "arm-reflex", "eight-course", "land-stop"]]) {
      const offers = offersOf({
        syllabus: builtInSyllabus,
        school: {},
        flown: digestSteps([...flown("stop-course", 40, "cccc"), ...flown("flip-slow", 99, letters)]),
        signedOff: new Set(signedOff),
        setupId: "new",
        nowMs: 100 * DAY_MS,
        rules: usualRules,
      });
      for (const { reason } of offers) {
        expect(isBlockReason(JSON.parse(JSON.stringify(reason)))).toBe(true);
        kinds.add(reason.kind === "advised" ? `${reason.kind} ${reason.advice.kind}` : reason.kind);
      }
    }
  expect([...kinds]).toEqual(
    expect.arrayContaining(["advised begin", "advised settle", "due-again", "warm-up", "freely"]),
  );
});

it.each<BlockReason>([
  { kind: "coachs-choice" },
  { kind: "taken-up" },
  { kind: "said", says: "Because the wind dropped." },
  { kind: "slipping", clean: 1, all: 6, days: 2 },
  { kind: "after", stepId: "flip-slow" },
])("so is %j", (reason) => {
  expect(isBlockReason(reason)).toBe(true);
});

it.each([
  null,
  "because",
  [],
  {},
  { kind: "luck" },
  { kind: "__proto__" },
  { kind: "freely", more: 1 },
  { kind: "said", says: "x".repeat(501) },
  { kind: "said", says: "\ud800" },
  { kind: "due-again", recall: 1.2 },
  { kind: "after", stepId: "<script>" },
  { kind: "slipping", clean: -1, all: 6, days: 2 },
  { kind: "advised", advice: { kind: "begin" }, isNext: true },
  { kind: "advised", advice: { kind: "stay", counts: [], focus: { kind: "luck" } }, isNext: true, notSignedOff: [] },
])("what nobody could have meant is none: %j", (value) => {
  expect(isBlockReason(value)).toBe(false);
});
