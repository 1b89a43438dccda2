import type { BlockReason, DeedDone, MilestoneEvidence } from "@/contract";
import { blockKinds, type Advice, type PassMark, type Problem, type RuleCount } from "@/core";
import { builtInSyllabus, cueFor, type BrokenLimit, type LeftOut, type StepRefusal } from "@/syllabus";
import {
  adviceWords,
  blockNames,
  blockReasonWords,
  brokenLimitWords,
  capital,
  chancePercent,
  counted,
  countWords,
  deedWords,
  evidenceWords,
  judgedByWords,
  leftOutWords,
  lower,
  markWords,
  outlookWords,
  percent,
  percentRange,
  problemWords,
  refusalWords,
  syllabusChangeWords,
  type Outlook,
  type UnitSystem,
} from ".";
import { missingWords } from "./marks";

describe("numbers", () => {
  it.each([
    [0, "0\u202f%"],
    [0.004, "0\u202f%"],
    [0.455, "46\u202f%"],
    [1, "100\u202f%"],
  ])("a share of %d is %s", (share, text) => {
    expect(percent(share)).toBe(text);
  });

  it("a chance is never certain, however near it comes", () => {
    expect(chancePercent(0.9999)).toBe("99\u202f%");
    expect(chancePercent(1)).toBe("99\u202f%");
    expect(chancePercent(0.72)).toBe("72\u202f%");
  });

  it("an interval has one unit, a number of things its plural", () => {
    expect(percentRange({ low: 0.448, high: 0.71 })).toBe("45–71\u202f%");
    expect([0, 1, 2].map((count) => counted(count, "pack"))).toEqual(["0 packs", "1 pack", "2 packs"]);
  });
});

it("a sentence begins with a capital letter, also of another alphabet; a name inside one keeps its other capitals", () => {
  expect(capital("slow flip, then Split-S")).toBe("Slow flip, then Split-S");
  expect(capital("über den Pfannen")).toBe("Über den Pfannen");
  expect(capital("")).toBe("");
  expect(lower("Split-S")).toBe("split-S");
});

it("every kind of block has a name of its own", () => {
  expect(new Set(blockKinds.map((kind) => blockNames[kind])).size).toBe(blockKinds.length);
});

describe("marks", () => {
  const stop: PassMark = { kind: "measured", measure: "stopErrorDeg", within: 15, k: 3, n: 4 };

  it.each<[PassMark, string]>([
    [{ kind: "k-of-last", k: 3, n: 4 }, "3 of the last 4 clean"],
    [{ kind: "run", k: 5 }, "5 clean in a row"],
    [{ kind: "clean-packs", packs: 1 }, "a clean pack"],
    [{ kind: "clean-packs", packs: 2 }, "2 clean packs in a row"],
    [{ kind: "minutes", minutes: 30 }, "30 minutes flown"],
    [stop, "3 of the last 4 measured within 15° of stop error"],
    [{ ...stop, measure: "missedPoles", within: 0 }, "3 of the last 4 with at most 0 poles missed"],
    [
      { kind: "in-places", places: ["field", "by-eye"], rule: { kind: "each-direction", rule: { kind: "run", k: 2 } } },
      "2 clean in a row, each direction on its own, in the field or by eye",
    ],
    [
      {
        kind: "all",
        rules: [
          { kind: "any", rules: [stop, { kind: "run", k: 2 }] },
          { kind: "minutes", minutes: 5 },
        ],
      },
      "(3 of the last 4 measured within 15° of stop error; or 2 clean in a row); and 5 minutes flown",
    ],
  ])("%j", (mark, words) => {
    expect(markWords(mark)).toBe(words);
  });

  it.each<[RuleCount, has: string, asks: string]>([
    [{ kind: "k-of-last", count: 2, seen: 4, k: 3, n: 4 }, "2 of the last 4", "1 more clean"],
    [{ kind: "k-of-last", count: 1, seen: 2, k: 3, n: 4 }, "1 of 2", "2 more clean"],
    [{ kind: "run", count: 2, k: 5 }, "2 in a row of 5", "3 more in a row"],
    [{ kind: "clean-packs", count: 1, packs: 2 }, "1 clean pack of 2", "1 more clean pack"],
    [{ kind: "clean-packs", count: 0, packs: 2 }, "0 clean packs of 2", "2 more clean packs"],
    [{ kind: "minutes", flown: 12.34, minutes: 30 }, "12.3 of 30 min", "17.7 min more"],
    [{ ...stop, count: 2, seen: 3 }, "2 of 3 within 15°", "1 more within 15°"],
  ])("what has been counted, and what is missing: %j", (count, has, asks) => {
    expect(countWords(count)).toBe(has);
    expect(missingWords(count)).toBe(asks);
  });
});

it.each([
  ["arm-reflex", "20 clean in a row"],
  ["los-hover", "3 of the last 4 clean, by eye or in the field"],
  ["los-follow-eights", "a clean pack, by eye or in the field"],
  ["eight-course", "a clean pack, in the field"],
  ["yaw-square", "a clean pack, each direction on its own, in the field"],
  ["stop-course", "a clean pack, in the field"],
  ["land-short", "3 of the last 4 clean, in the field"],
  ["gap-wide", "3 of the last 4 clean, each direction on its own, in the field"],
  ["gap-knife", "3 of the last 4 clean, each direction on its own, in the field"],
  ["flip-ease-end", "3 of the last 4 clean, each direction on its own, in the field"],
  ["orbit", "3 of the last 4 clean, each direction on its own, in the field"],
])("%s passes at %s (common practice, no source)", (id, words) => {
  expect(markWords(builtInSyllabus.stepById.get(id)!.mark)).toBe(words);
});

describe("advice", () => {
  const count = (clean: number): RuleCount => ({ kind: "k-of-last", count: clean, seen: 4, k: 3, n: 4 });
  const counts = (back: number, front: number, flown = 4) => [
    { direction: "back", attempts: 4, rule: count(back) },
    { direction: "front", attempts: flown, rule: count(front) },
  ];
  const stuck = {
    direction: "front",
    attempts: 40,
    flyingDays: 8,
    weeks: 7,
    early: { attempts: 20, clean: 4 },
    late: { attempts: 20, clean: 3 },
  };
  const one = [{ direction: null, attempts: 4, rule: count(2) }];

  it.each<[Advice, string]>([
    [{ kind: "begin" }, "No attempts logged yet. Read the brief and start high."],
    [
      { kind: "stay", counts: counts(3, 1), focus: { kind: "one-side", direction: "front", missing: count(1) } },
      "Backward 3 of the last 4, forward 1 of the last 4: stay, forward needs 2 more clean.",
    ],
    [
      { kind: "stay", counts: counts(1, 1), focus: { kind: "lowest-side", direction: "back" } },
      "Backward 1 of the last 4, forward 1 of the last 4: stay, backward first.",
    ],
    [
      { kind: "stay", counts: counts(3, 0, 0), focus: { kind: "weaker-side", direction: "front" } },
      "Backward 3 of the last 4, forward not flown: stay, forward first, the weaker side.",
    ],
    [
      { kind: "stay", counts: one, focus: { kind: "rules", missing: [count(2), { kind: "run", count: 0, k: 1 }] } },
      "2 of the last 4: stay, 1 more clean, 1 more in a row.",
    ],
    [
      { kind: "advance", counts: counts(3, 4), doubt: null },
      "Backward 3 of the last 4, forward 4 of the last 4: pass mark met, sign it off.",
    ],
    [
      { kind: "advance", counts: counts(3, 4), doubt: { direction: "back", low: 0.32, high: 0.68 } },
      "Backward 3 of the last 4, forward 4 of the last 4: pass mark met, but the longer record of backward is 32–68\u202f% clean: sign it off, or see it hold once more.",
    ],
    [
      {
        kind: "advance",
        counts: counts(3, 4).map((each, i) => ({ ...each, luck: i === 0 ? 5 / 16 : 0.002 })),
        doubt: null,
        aloneDecides: true,
      },
      "Backward 3 of the last 4 (31\u202f% luck), forward 4 of the last 4 (under 1\u202f% luck): pass mark met, but only with what was flown alone: see it flown, then sign it off.",
    ],
    [
      { kind: "confirm", counts: [{ ...one[0], rule: count(3), luck: 0.31 }], mostLuck: 0.1 },
      "3 of the last 4 (31\u202f% luck): pass mark met, but it may be luck. Keep flying until luck is 10\u202f% or less.",
    ],
    [
      { kind: "signed-off", counts: counts(3, 4) },
      "Signed off. Backward 3 of the last 4, forward 4 of the last 4: fly it again when its review is due.",
    ],
    [
      { kind: "signed-off", counts: [{ direction: "back", attempts: 0, rule: count(0) }] },
      "Signed off, no attempts on record. Fly it once and its review gets a date.",
    ],
    [
      { kind: "stuck", ...stuck, tryNext: { kind: "one-setup", changes: 4 } },
      "Stuck: forward 4 of 20 clean, then 3 of 20, over 7 weeks and 8 flying days. The setup changed 4 times in between: keep this one for 12 attempts.",
    ],
    [
      { kind: "stuck", ...stuck, tryNext: { kind: "step-back", toStepId: "stop-course" } },
      `Stuck: forward 4 of 20 clean, then 3 of 20, over 7 weeks and 8 flying days. Go back to ${builtInSyllabus.stepById.get("stop-course")!.name} and build it again.`,
    ],
    [
      { kind: "stuck", ...stuck, tryNext: { kind: "other-way" } },
      "Stuck: forward 4 of 20 clean, then 3 of 20, over 7 weeks and 8 flying days. Change one thing: another place, the simulator, or the step in parts.",
    ],
    [
      { kind: "step-back", clean: 1, of: 8, toStepId: "stop-course" },
      `1 clean of the last 8: go back to ${builtInSyllabus.stepById.get("stop-course")!.name} and build it again.`,
    ],
    [
      { kind: "rest", crashes: 3, attempts: 9 },
      "3 crashes in 9 attempts on the last flying day, most of them late: rest before more of this.",
    ],
    [
      { kind: "rest", crashes: 4, attempts: 12, late: 4, chance: 15 / 495 },
      "4 crashes in 12 attempts on the last flying day, 4 of them in its later half (by chance alone: 3\u202f%): rest before more of this.",
    ],
    [
      { kind: "settle", onSetup: 0, before: 20, more: 12 },
      "No attempt on the new setup and 20 before it: fly it 12 more times before judging or changing again.",
    ],
  ])("%j", (advice, words) => {
    expect(adviceWords(advice, "flip-slow", builtInSyllabus)).toBe(words);
  });

  it("speaks to who reads it, of the kind of step it is, and in the units chosen", () => {
    const met: Advice = { kind: "advance", counts: counts(3, 4), doubt: null };
    expect(adviceWords(met, "flip-slow", builtInSyllabus, { reader: "pilot" })).toMatch(
      /pass mark met, ask your coach to sign it off\.$/,
    );
    expect(adviceWords({ kind: "begin" }, "sticks", builtInSyllabus)).toBe("Not done yet: go through the brief.");
    const within = { kind: "measured", measure: "missM", within: 1.5, count: 1, seen: 3, k: 3, n: 4 } as const;
    const short: Advice = {
      kind: "stay",
      counts: [{ direction: null, attempts: 3, rule: within }],
      focus: { kind: "rules", missing: [within] },
    };
    expect(adviceWords(short, "land-stop", builtInSyllabus)).toBe("1 of 3 within 1.5 m: stay, 2 more within 1.5 m.");
    expect(adviceWords(short, "land-stop", builtInSyllabus, { units: "imperial" })).toBe(
      "1 of 3 within 5\u202fft: stay, 2 more within 5\u202fft.",
    );
  });

  it("names the fault that is in most of what goes wrong, with its cue", () => {
    const [fault] = builtInSyllabus.stepById.get("flip-slow")!.faults;
    const tryNext = { kind: "mend", faultId: fault.id, direction: "front", share: 0.62 } as const;
    const words = adviceWords({ kind: "stuck", ...stuck, tryNext }, "flip-slow", builtInSyllabus);
    expect(words).toContain(`${fault.sees}, in 62\u202f% of what goes wrong: ${cueFor(fault, "front")}`);
  });

  it("of a step that no syllabus has goes by the keys it was kept with", () => {
    const gone: Advice = { kind: "stay", counts: counts(3, 1), focus: { kind: "lowest-side", direction: "front" } };
    expect(adviceWords(gone, "never-there", builtInSyllabus)).toMatch(/^Back 3 .*, front 1 .*: stay, front first\.$/);
  });
});

it.each<[Problem, string]>([
  [{ kind: "flies-into", into: "wall", timeS: 2.34 }, "it flies into the wall after 2.3 s"],
  [
    { kind: "meets-ground", timeS: 1.26, speedMps: 8.04, tiltDeg: 41.6 },
    "it hits the ground after 1.3 s at 8.0\u202fm/s, 42° off level; begin higher, or see the thrust and the rates",
  ],
  [
    { kind: "too-little-punch", fullG: 1.3, trimG: 1 },
    "no punch within reach ends where it began: full throttle gives 1.3 g standing still, and 1.0 g of that flies on; see the throttle limit and the turning rate",
  ],
  [{ kind: "aim-not-met", aim: "gap-above" }, "it never gets as far as the gap"],
  [{ kind: "not-over", timeS: 14.9 }, "it is not over after 15 s"],
])("why a trick does not go: %j", (problem, words) => {
  expect(problemWords(problem, "metric")).toBe(words);
});

it("what it takes until a date is said in sessions, against those planned", () => {
  const outlook = { attempts: { median: 30, high: 48 }, openSteps: 1, attemptsASession: 12, sessions: 3, weeks: 2 };
  const says = (more: Partial<Outlook>) => outlookWords({ ...outlook, planned: 0, kind: "short", ...more });
  const takes = "about 30 more attempts (48 if it goes slowly) over this step: 3 sessions of 12.";
  expect(says({})).toBe(
    `Not by then at this pace: ${takes} None planned until then. Plan 3 more, 1.5 a week, or move the date.`,
  );
  expect(says({ planned: 3, kind: "enough" })).toBe(`On course: ${takes} 3 planned until then.`);
  expect(says({ planned: 1 })).toContain("1 planned until then. Plan 2 more");
  expect(says({ kind: "past", weeks: 0 })).toBe(
    `The date is past. It takes ${takes} Move the date or remove the target.`,
  );
  expect(says({ kind: "there" })).toBe("Signed off.");
  expect(says({ openSteps: 4, sessions: 1 })).toContain("over 4 open steps: 1 session of 12.");
});

describe("why something is not flown", () => {
  const site = { step: "Hang", site: "Store yard" };

  it.each<[StepRefusal, metric: string, imperial: string]>([
    [
      { ...site, kind: "too-little-room", wantsM: 40, hasM: 25.5 },
      "Hang needs 40 m of clear ground all round; Store yard has 25.5 m.",
      "Hang needs 131 ft of clear ground all round; Store yard has 84 ft.",
    ],
    [
      { ...site, kind: "goes-too-high", peakM: 13.04, limitM: 12 },
      "Hang goes up to 13 m with this aircraft; the limit at Store yard is 12 m.",
      "Hang goes up to 43 ft with this aircraft; the limit at Store yard is 39 ft.",
    ],
    [
      { kind: "new-in-wind", step: "Hang", mostMps: 6, windMps: 6.5 },
      "Too windy for hang: it is new, and nothing new starts in more than 6 m/s of wind. Now 6.5 m/s.",
      "Too windy for hang: it is new, and nothing new starts in more than 20 ft/s of wind. Now 21 ft/s.",
    ],
    [
      { kind: "too-much-wind", step: "Hang", windMps: 12, topMps: 34.56, aircraft: "Plank" },
      "Too windy for hang: 12 m/s is over a third of Plank's top speed of 34.6 m/s.",
      "Too windy for hang: 39 ft/s is over a third of Plank's top speed of 113 ft/s.",
    ],
  ])("%j", (refusal, metric, imperial) => {
    const said = (units: UnitSystem) => refusalWords(refusal, units).replaceAll("\u202f", " ");
    expect([said("metric"), said("imperial")]).toEqual([metric, imperial]);
  });

  it.each<[LeftOut, string]>([
    [{ kind: "no-time", step: null }, "No time left for free flying."],
    [{ kind: "no-pack", step: "Hang" }, "No charged pack left for hang."],
    [{ kind: "new-steps", step: "Hang", most: 0 }, "Hang waits: no new steps a session is the limit."],
    [{ kind: "new-steps", step: "Hang", most: 1 }, "Hang waits: one new step a session is the limit."],
    [
      { kind: "simulator-first", step: "Hang" },
      "Hang: sim first. Meet the pass mark there before flying it (coaching choice).",
    ],
  ])("left out of a plan: %j", (left, words) => {
    expect(leftOutWords(left, "metric")).toBe(words);
  });

  it.each<[BrokenLimit, string]>([
    [
      { kind: "new-steps", pilot: "Odo Fenn", steps: ["Pure roll", "Split-S"], most: 1 },
      "Odo Fenn: 2 new steps (Pure roll, Split-S); the limit is 1.",
    ],
    [{ kind: "packs", pilot: "Odo Fenn", wanted: 3, charged: 1 }, "Odo Fenn: takes 3 packs; 1 is charged."],
    [{ kind: "turns", turns: 3, fit: 2 }, "3 turns one after the other; there is time for 2."],
  ])("a limit broken by hand: %j", (broken, words) => {
    expect(brokenLimitWords(broken)).toBe(words);
  });
});

describe("reasons of blocks", () => {
  it.each<[BlockReason | null, string]>([
    [null, ""],
    [{ kind: "said", says: "Because it was due." }, "Because it was due."],
    [{ kind: "coachs-choice" }, "The coach's choice."],
    [
      { kind: "advised", advice: { kind: "begin" }, isNext: true, notSignedOff: ["stop-course"] },
      `New: it comes next on the way. No attempts logged yet. Read the brief and start high. Not signed off before it: ${lower(builtInSyllabus.stepById.get("stop-course")!.name)}.`,
    ],
    [{ kind: "after", stepId: "split-s" }, "Next after split-S, which met its pass mark."],
    [{ kind: "slipping", clean: 0, all: 9, days: 3 }, "Slipping: 0 of 9 clean on the last 3 days flown."],
    [{ kind: "slipping", clean: 1, all: 6, days: 1 }, "Slipping: 1 of 6 clean on the last day flown."],
    [{ kind: "due-again", recall: 0.999 }, "Review due: 99\u202f% remembered."],
    [
      { kind: "warm-up", recall: 0.9, leadsIn: true },
      "To warm up: 90\u202f% remembered, and leads into the main drill.",
    ],
    [{ kind: "warm-up", recall: null, leadsIn: false }, "To warm up: signed off."],
  ])("%j", (reason, words) => {
    const block = { kind: "main", stepId: "flip-slow", minutes: 4, firstDirection: null, reason } as const;
    expect(blockReasonWords(block, builtInSyllabus)).toBe(words);
  });
});

describe("the trail", () => {
  it.each<[DeedDone | { readonly kind: "said"; readonly says: string }, string | null, string]>([
    [{ kind: "signed-off", step: "Split-S" }, "Odo Fenn", "signed off split-S for Odo Fenn"],
    [{ kind: "said", says: "signed off slow flip for Odo Fenn" }, null, "signed off slow flip for Odo Fenn"],
    [{ kind: "removed", thing: "note" }, "Odo Fenn", "removed a note for Odo Fenn"],
    [
      { kind: "restored", thing: "attempt", step: "Slow flip", outcome: "crashed" },
      "Odo Fenn",
      "restored an attempt (slow flip, crashed) for Odo Fenn",
    ],
    [{ kind: "removed", thing: "site", name: "Upper pans" }, null, "removed the site Upper pans"],
    [
      { kind: "saved-setup", aircraft: "Plank", number: 3, reason: "softer" },
      "Odo Fenn",
      'saved setup 3 of Plank ("softer") for Odo Fenn',
    ],
    [{ kind: "moved-away", pilot: "Odo Fenn", to: "Upper pans" }, null, "moved Odo Fenn to the squad Upper pans"],
    [{ kind: "imported", count: 1 }, "Odo Fenn", "imported 1 entry from a file for Odo Fenn"],
    [{ kind: "made-owner", coach: "Edda Lind" }, null, "made Edda Lind an owner"],
    [
      { kind: "added-variant", name: "Long punch", flownBy: ["Odo Fenn", "Ida Rook"] },
      null,
      'added the way "Long punch" to fly a trick, flown by Odo Fenn, Ida Rook',
    ],
    [
      {
        kind: "saved-syllabus",
        number: 2,
        reason: "shorter",
        changes: [{ kind: "order" }, { kind: "step-fields", step: "Slow flip", fields: ["wayOut", "aim"] }],
        more: 4,
      },
      null,
      'saved syllabus 2 ("shorter"): order of the steps; Slow flip: bail-out, aim and 4 more',
    ],
    [{ kind: "saved-syllabus", number: 2, reason: "same", changes: [], more: 0 }, null, 'saved syllabus 2 ("same")'],
  ])("%j", (done, pilotName, words) => {
    expect(deedWords({ done, pilotName })).toBe(words);
  });
});

it("a change of a syllabus is told with the marks in words", () => {
  expect(
    syllabusChangeWords({ kind: "step-mark", step: "Hang", was: { kind: "run", k: 2 }, is: { kind: "run", k: 3 } }),
  ).toBe("Hang: pass mark 2 clean in a row → 3 clean in a row");
  expect(syllabusChangeWords({ kind: "step-moved", step: "Hang", from: "Flips", to: "Loops" })).toBe(
    "Hang: moved from Flips to Loops",
  );
});

it("what stood at a sign-off reads the same whether it was kept as a sentence or as kinds", () => {
  const says = (evidence: Partial<MilestoneEvidence>) =>
    evidenceWords({ advice: "advance", directions: [], ...evidence }, "flip-slow", builtInSyllabus);
  expect(says({ sentence: "Signed off before the camp, on paper." })).toBe("Signed off before the camp, on paper.");
  expect(says({ reason: { kind: "begin" } })).toMatch(/^No attempts logged yet/);
  expect(says({})).toBe("");
  expect(judgedByWords({ syllabus: 2, mark: "5 clean in a row" })).toBe("5 clean in a row");
  expect(judgedByWords({ syllabus: 2, mark: { kind: "run", k: 5 } })).toBe("5 clean in a row");
});
