import type { FirstMend, FoundTrick, TapeProblem, TapeWarning } from "@/core";
import {
  axisCheckWords,
  foundTrickName,
  measuredText,
  mendWords,
  momentText,
  monthChangeWords,
  signedDeg,
  spokenTrick,
  tapeProblemWords,
  tapeWarningWords,
  wobbleWords,
} from ".";

const found = (change: Partial<FoundTrick>) =>
  ({ kind: "flip", axis: "pitch", direction: "back", turns: 1, confidence: 0.9, ...change }) as FoundTrick;

it("a found trick is called as a coach calls it, and what is unsure is called so", () => {
  expect(foundTrickName(found({}))).toBe("Flip, backward");
  expect(foundTrickName(found({ kind: "roll", direction: "left", turns: 2 }))).toBe("Roll, left, 2 turns");
  expect(foundTrickName(found({ kind: "split", direction: "right", turns: 0.5 }))).toBe("Split-S, right");
  expect(foundTrickName(found({ kind: "brake" }))).toBe("Brake");
  expect(foundTrickName(found({ confidence: 0.4 }))).toBe("Unsure");
});

it("angles have their sign, moments their minutes", () => {
  expect([12.4, -3.6, 0.4, -0.4].map(signedDeg)).toEqual(["+12°", "−4°", "0°", "0°"]);
  expect([0, 9.96, 59.97, 184.2].map(momentText)).toEqual(["0:00.0", "0:10.0", "1:00.0", "3:04.2"]);
});

it("what to mend first says what to do, how often it was off, and where it was worst", () => {
  const tricks = [found({}), found({ direction: "front" })];
  const where = { count: 3, of: 8, trick: 1 };
  const all: readonly (readonly [FirstMend, RegExp])[] = [
    [
      { kind: "throttle-open", share: 0.113, ...where },
      /^Close the throttle .*at 11.% upside down in 3 of 8; worst in the flip, forward\.$/,
    ],
    [
      { kind: "stops-past", deg: 21.6, ...where },
      /^Let go earlier\. 3 of 8 turns ended 22° past .* the flip, forward\.$/,
    ],
    [{ kind: "stops-short", deg: 15, ...where }, /^Hold the turn longer\. 3 of 8 turns ended 15° short/],
    [{ kind: "swings-back", deg: 10, ...where }, /^Ease the last quarter\. .* swung back 10°/],
    [{ kind: "leans-off", deg: 30, ...where }, /leaned off their axis by 30°/],
    [{ kind: "nothing", of: 8 }, /^Nothing stands out\. .* 8 tricks/],
    [{ kind: "nothing", of: 0 }, /^No trick was found\./],
  ];
  for (const [mend, words] of all) {
    const { todo, why } = mendWords(mend, tricks);
    expect(`${todo} ${why}`).toMatch(words);
  }
});

it("why a file cannot be read names the row and the column", () => {
  const range = [-1.05, 1.05] as const;
  const all: readonly (readonly [TapeProblem, RegExp])[] = [
    [{ kind: "empty" }, /empty/],
    [{ kind: "not-text" }, /not text/],
    [{ kind: "no-names" }, /no names/],
    [{ kind: "quote-open" }, /never closed/],
    [{ kind: "column-missing", column: "throttle" }, /no column "throttle"/],
    [{ kind: "column-twice", column: "throttle" }, /"throttle" is there twice/],
    [{ kind: "ragged-row", row: 7, columns: 1, expected: 8 }, /^Row 7 has 1 column, and the first line 8\.$/],
    [
      { kind: "not-a-number", row: 7, column: "throttle", text: "NaN" },
      /^Row 7, column "throttle": "NaN" is no number\.$/,
    ],
    [{ kind: "not-a-number", row: 7, column: "throttle", text: "" }, /nothing is there/],
    [{ kind: "out-of-range", row: 2, column: "stick_roll", value: 300, range }, /300 cannot be; it is -1.05 to 1.05/],
    [{ kind: "too-few-rows", rows: 1, least: 20 }, /1 row;/],
    [{ kind: "too-many-rows", most: 9 }, /more than 9/],
    [{ kind: "out-of-order", rows: 5, of: 9, row: 3 }, /row 3/],
    [{ kind: "sample-rate", hz: 1, range: [45, 4400] }, /1 row a second; 45 to 4400/],
  ];
  for (const [problem, words] of all) expect(tapeProblemWords(problem)).toMatch(words);
});

it("what is odd, what the settings were and who wobbles are said in plain words", () => {
  const all: readonly (readonly [TapeWarning, RegExp])[] = [
    [{ kind: "time-repeated", rows: 1, row: 52 }, /^1 row repeated a time and was left out, the first is row 52/],
    [{ kind: "time-backward", rows: 2, row: 53 }, /^2 rows went back in time and were left out/],
    [{ kind: "gaps", count: 1, longestS: 0.42, atS: 61 }, /1 gap, the longest 0\.42 s at 1:01\.0/],
    [{ kind: "uneven", share: 0.25 }, /25.% of the rows/],
    [{ kind: "jump", axis: "pitch", count: 2, atS: 2 }, /pitch gyro jumps 2 times/],
    [{ kind: "clipped", axis: "roll", atDps: 300, atS: 2, forS: 1 }, /roll gyro stands at its end of 300°\/s/],
    [{ kind: "sign", axis: "yaw", correlation: -0.9 }, /against the yaw stick/],
    [{ kind: "silent", what: "stick", axis: "yaw", fromS: 0, toS: 9 }, /yaw stick never moves/],
    [{ kind: "silent", what: "gyro", axis: "yaw", fromS: 0, toS: 9 }, /yaw gyro says the same from 0:00\.0 to 0:09\.0/],
  ];
  for (const [warning, words] of all) expect(tapeWarningWords(warning)).toMatch(words);
  const axis = {
    axis: "roll",
    sign: 1,
    delayMs: 40,
    fit: null,
    reach: 1,
    endDps: 720,
    plannedEndDps: 667,
    reachDps: 720,
    plannedReachDps: 667,
  } as const;
  expect(axisCheckWords({ ...axis, agrees: false })).toBe("this was not that setup: roll ends at 720°/s, not 667");
  expect(axisCheckWords({ ...axis, agrees: true })).toBe("roll as in the setup, to 720°/s");
  expect(axisCheckWords({ ...axis, sign: -1, agrees: false })).toMatch(/against the roll stick/);
  expect(axisCheckWords({ ...axis, sign: 0, endDps: null, agrees: true })).toBeNull();
  const wobble = { axis: "roll", fromS: 3, forS: 6, hz: 32.04 } as const;
  expect(wobbleWords({ ...wobble, cause: "machine" })).toBe(
    "roll wobbles at 32.0 Hz for 6 s, first at 0:03.0: the machine: tune, propeller or a loose part.",
  );
  expect(wobbleWords({ ...wobble, cause: "hand" })).toMatch(/the hand, the stick goes with it/);
});

it("what goes into an attempt, what is called aloud and what a month changed are said in full", () => {
  expect(measuredText({ stopErrorDeg: 12.3, bounceBackDeg: 4, throttleInvertedPct: 11.2 })).toBe(
    "stop +12°, swing back 4°, throttle upside down 11\u202f%",
  );
  expect(measuredText({})).toBe("");
  const measures = { stopErrorDeg: -7.6 } as FoundTrick["measures"];
  const flip = { kind: "flip", direction: "back", turns: 1, confidence: 0.9, measures } as FoundTrick;
  expect(spokenTrick(flip)).toBe("Flip backward, 8 short");
  expect(spokenTrick({ ...flip, measures: { ...measures, stopErrorDeg: 0.2 } })).toBe("Flip backward, on the mark");
  expect(spokenTrick({ ...flip, kind: "split", direction: "left" })).toBe("Split-S left");
  expect(monthChangeWords({ measure: "stopDeg", before: 21.4, after: 9, better: true })).toBe(
    "Stop error down from 21° to 9°.",
  );
  expect(monthChangeWords({ measure: "throttleUpsideDown", before: 0.02, after: 0.14, better: false })).toBe(
    "Throttle upside down up from 2\u202f% to 14\u202f%.",
  );
});

it("a shaking machine is to be looked at before it flies, and the weaker side is named with the other", () => {
  const shaking = mendWords({ kind: "machine-wobble", axis: "pitch", hz: 41.2, forS: 126 }, []);
  expect(`${shaking.todo} ${shaking.why}`).toBe(
    "Look at the propellers and what holds the motors before it flies again. Pitch wobbles at 41 Hz for 126 s, and no stick goes with it.",
  );
  const side = { kind: "one-sided", direction: "front", deg: -19, otherDeg: 2, count: 3, trick: 0 } as const;
  expect(mendWords(side, [])).toEqual({
    todo: "Forward first, the weaker side: let go later.",
    why: "3 turns that way ended 19° short on the mean, the other way +2°.",
  });
});

it("nothing is claimed of a curve beyond where the stick went", () => {
  const axis = {
    axis: "pitch",
    sign: 1,
    delayMs: 30,
    fit: null,
    reach: 0.36,
    endDps: 900,
    plannedEndDps: 667,
  } as const;
  const within = { ...axis, reachDps: 120, plannedReachDps: 118 };
  expect(axisCheckWords({ ...within, agrees: true })).toBe(
    "pitch as in the setup, as far as the stick went (36\u202f%)",
  );
  expect(axisCheckWords({ ...within, plannedReachDps: 80, agrees: false })).toBe(
    "this was not that setup: pitch turns 120°/s at 36\u202f% of the stick, not 80",
  );
});
