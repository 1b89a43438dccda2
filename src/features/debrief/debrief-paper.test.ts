import type { LoggedAttempt, Session, TallyData } from "@/contract";
import { builtInSyllabus, standardDay } from "@/syllabus";
import { debriefPaper } from "./debrief-paper";
import { tallyPilot } from "@/contract/testing/made-up-pilot";
import { measuredWords } from "./measured-words";
import { sinceLastTime, sinceLastWords } from "./since-last";

const session: Session = {
  id: "s",
  squadId: "squad",
  coachId: "c",
  place: "field",
  startedAtMs: Date.parse("2026-11-20T10:00:00Z"),
  begun: true,
  endedAtMs: 1,
  pilots: [],
};
const tap = (outcome: LoggedAttempt["outcome"], n: number, faults: readonly string[] = []): LoggedAttempt => ({
  id: `${n}`,
  sessionId: "s",
  pilotId: "odo",
  stepId: "flip-slow",
  direction: n % 2 ? "front" : "back",
  outcome,
  place: "field",
  setupId: null,
  pack: 1,
  minutes: null,
  measured: {},
  faults,
  atMs: n,
  undone: false,
});
const paper = (attempts: readonly LoggedAttempt[], notes: TallyData["notes"] = [], pilotId: string | null = null) =>
  JSON.stringify(
    debriefPaper(
      {
        accountId: "account",
        name: "Ann Pell",
        others: [],
        session,
        pilots: [
          tallyPilot("odo", "Odo Fenn", ["flip-slow", "roll-pure", "left-out-since"]),
          tallyPilot("ida", "Ida Rook", ["hang"]),
        ],
        attempts,
        notes,
        site: null,
        mayKeep: true,
        coaches: true,
        syllabi: [],
        day: standardDay,
      } satisfies TallyData,
      builtInSyllabus,
      "Pans",
      { pilotId },
    ).content,
  );

it("says by pilot and direction what happened, the verdict, and the mend of the fault seen most; undone taps are no part of it", () => {
  const text = paper([
    tap("clean", 2),
    tap("rough", 4, ["dropped"]),
    tap("rough", 6, ["dropped", "looped"]),
    { ...tap("crashed", 8), undone: true },
  ]);
  expect(text).toContain("Pans, 2026-11-20, 3 attempts");
  expect(text).toContain("Backward 1 of 3, forward not flown: stay");
  expect(text).toMatch(/It comes round low.*2 times: Punch longer/);
  expect(text).not.toContain("instead of turning on the spot");
  expect(text).toMatch(/Ida Rook.*Nothing logged/);
  expect(text).not.toContain("Pure roll");
  const both = paper([tap("clean", 2), { ...tap("clean", 3), stepId: "roll-pure", direction: "left" }]);
  expect(both).toMatch(/Slow flip.*Odo Fenn.*Pure roll.*left 1 of 1/);
});

it("says what was measured: the mean on its side of the mark, of how many", () => {
  const measured = (stopErrorDeg: number, n: number, bounceBackDeg?: number) => ({
    ...tap("clean", n),
    measured: { stopErrorDeg, ...(bounceBackDeg !== undefined && { bounceBackDeg }) },
  });
  const text = paper([measured(-14, 1, 3), measured(4, 2), measured(-8, 3), tap("rough", 4)]);
  expect(text).toContain("Stop error 6° short on average, 3 measured.");
  expect(text).toContain("Swing back 3° on average, 1 measured.");
  expect(measuredWords([measured(2, 1), measured(-2, 2)], "metric")).toEqual(["stop error 0° on average, 2 measured"]);
  expect(measuredWords([{ measured: { jerkDegPerS2: 5200.4, laps: 3 } }], "metric")).toEqual([
    "jerk 5200 °/s² on average, 1 measured",
    "laps: 3 in 1 attempt",
  ]);
  expect(measuredWords([{ measured: { heightErrorM: -0.44 } }], "metric")).toEqual([
    "height off 0.4\u202fm low on average, 1 measured",
  ]);
  expect(paper([tap("clean", 1)])).not.toContain("on average");
});

it("says what was noted of each pilot", () => {
  const note = (pilotId: string, text: string) => ({
    id: text,
    pilotId,
    text,
    writtenAtMs: 5,
    forCoaches: false,
  });
  const text = paper([tap("clean", 1)], [note("ida", "Looks down before the punch."), note("odo", "Thumb slips.")]);
  expect(text).toMatch(/Odo Fenn.*Noted: Thumb slips\..*Ida Rook.*Noted: Looks down before the punch\./);
});

it("of one pilot has nothing of anybody else, nor what coaches keep between them", () => {
  const notes = [
    { id: "a", pilotId: "odo", text: "Thumb slips.", writtenAtMs: 5, forCoaches: false },
    { id: "b", pilotId: "odo", text: "Afraid of the wall.", writtenAtMs: 6, forCoaches: true },
  ];
  const text = paper([tap("clean", 1), tap("rough", 2)], notes, "odo");
  expect(text).toContain("2 attempts");
  expect(text).toContain("Thumb slips.");
  expect(text).not.toMatch(/Ida Rook|Afraid of the wall/);
  expect(paper([tap("clean", 1)], notes)).toContain("Afraid of the wall.");
});

it("advises rest where crashes rose", () => {
  const outcomes = ["clean", "clean", "rough", "crashed", "crashed", "crashed"] as const;
  expect(paper(outcomes.map((outcome, i) => tap(outcome, i)))).toContain("rest before more of this");
});

it("holds today against the last session in which the step was flown, not against those before", () => {
  const earlier = [
    ...[1, 2, 3].map((n) => ({ ...tap("clean", n), sessionId: "long ago" })),
    ...[4, 5, 6, 7].map((n) => ({ ...tap(n === 4 ? "clean" : "rough", n), sessionId: "last week" })),
  ];
  const change = sinceLastTime(
    earlier,
    [8, 9, 10, 11].map((n) => tap("clean", n)),
  )!;
  expect(sinceLastWords(change)).toMatch(/^Last time 1 of 4 clean, this time 4 of 4: better with 9\d\s% chance\.$/);
  const same = sinceLastTime(
    earlier,
    [8, 9, 10].map((n) => tap(n === 8 ? "clean" : "rough", n)),
  )!;
  expect(sinceLastWords(same)).toBe("Last time 1 of 4 clean, this time 1 of 3: no clear difference.");
  expect(sinceLastTime([], [tap("clean", 1)])).toBeNull();
  expect(sinceLastTime(earlier, [])).toBeNull();
});

it("counts what was flown of a step that no syllabus has any more, and judges it by no other's mark", () => {
  const gone = [1, 2, 3].map((n) => ({ ...tap("clean", n), stepId: "left-out-since", direction: "back" }));
  const said = paper(gone);
  expect(said).toContain("left-out-since");
  expect(said).toContain("In no syllabus any more: there is no mark to judge it by.");
  expect(said).not.toMatch(/mark is met|Next: /);
});
