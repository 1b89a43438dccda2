import { NoRoom } from "@/core";
import { cloudConflictWords, compassName, conflictWords, intoWords, noRoomWords } from ".";

it("names directions among eight, whichever way round they are counted", () => {
  expect([0, 22, 23, 230, 359, -90, 720].map(compassName)).toEqual([
    ...["north", "north", "north-east", "south-west", "north", "west", "north"],
  ]);
});

it("says what a way breaks by the name of the thing, with the number and in the units chosen", () => {
  const near = { kind: "near-people", featureId: "p", name: "Dyke path", at: 3, m: 7.04, limitM: 12.2 } as const;
  expect(conflictWords(near, "metric")).toBe("7.0\u202fm from Dyke path; a dead aircraft is thrown 12.2\u202fm.");
  expect(conflictWords({ ...near, name: "" }, "imperial")).toBe(
    "23\u202fft from the people line; a dead aircraft is thrown 40\u202fft.",
  );
  expect(conflictWords({ ...near, kind: "too-high", name: "", m: 41, limitM: 40 }, "metric")).toMatch(/^Goes up to 41/);
  const cloud = { ...near, kind: "leaves-boundary", m: 4.12, limitM: null, flights: 12 } as const;
  expect(cloudConflictWords(cloud, "metric")).toBe("12 of them: leaves the boundary by 4.1\u202fm.");
  expect(intoWords("pole")).toBe("flies into the post.");
  expect(noRoomWords(new NoRoom("slalom", 3.25, 65, 16), "metric")).toBe(
    "No room for the slalom: it needs 65\u202fm by 16\u202fm clear; at the best spot 3.3\u202fm are missing.",
  );
});
