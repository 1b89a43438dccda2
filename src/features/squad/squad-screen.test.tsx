import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Attempt, Outcome } from "@/core";
import { builtInSyllabus, glanceOf } from "@/syllabus";
import { oneSquad, standingInput } from "@/ui/testing/made-up";
import { byNeed, reasonsFor } from "./needs-coach";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import type { SquadData, SquadRow } from "./load";
import { shownOf } from "./shown";
import { SquadScreen } from "./squad-screen";

const DAY_MS = 86_400_000;
const nowMs = 100 * DAY_MS;
const flown = (outcome: Outcome, daysAgo: number): (Attempt & { stepId: string })[] =>
  [0, 1, 2, 3].flatMap((n) =>
    ["back", "front"].map((direction) => ({
      stepId: "flip-slow",
      direction,
      outcome,
      place: "field" as const,
      setupId: "s",
      atMs: nowMs - daysAgo * DAY_MS + n,
    })),
  );
function row(
  name: string,
  attempts: (Attempt & { stepId: string })[],
  change: Partial<SquadRow> = {},
  signedOff: readonly string[] = [],
): SquadRow {
  const bare = {
    id: name.toLowerCase(),
    name,
    squadId: "squad",
    asksFor: [],
    glance: glanceOf(standingInput(attempts, { nowMs, signedOff })),
    aircraftName: "Plank",
    setupNumber: 2,
    checkFirst: [],
    ...change,
  };
  return { ...bare, reasons: reasonsFor(bare, builtInSyllabus) };
}
const data = (rows: SquadRow[], change: Partial<SquadData> = {}) =>
  shownOf({ rows, squads: [oneSquad], nowMs, ...change });
const rowOf = (name: string) => within(screen.getByRole("link", { name }).closest('[role="row"]') as HTMLElement);

it("says what to do first when nobody is there, and adds a pilot by button or key", async () => {
  const sent = fakeServer();
  renderScreen(<SquadScreen data={data([])} />);
  expect(screen.getByText("No pilots yet")).toBeVisible();
  await userEvent.keyboard("a");
  await userEvent.type(screen.getByLabelText("Name"), "Odo Fenn");
  await userEvent.click(screen.getByRole("button", { name: "Add" }));
  await waitFor(() => expect(navigation.journeys[0]).toMatch(/^\/pilot\?pilot=/));
  expect(sent[0]).toMatchObject({ action: "add-pilot", input: { name: "Odo Fenn", stickMode: 2, grip: "thumbs" } });
});

it("shows step, evidence, days since the last flight and what next", () => {
  renderScreen(<SquadScreen data={data([row("Odo", flown("rough", 9))])} />);
  const odo = rowOf("Odo");
  expect(odo.getByText("Slow flip")).toBeVisible();
  expect(odo.getByText("flew 9 days ago")).toBeVisible();
  expect(odo.getAllByRole("img", { name: /clean rate \d+\s%, 90\s% interval/ })).toHaveLength(2);
  expect(odo.getAllByText("Rough")).toHaveLength(8);
});

it("leads each pilot to what they need: aircraft, setup, brief or sign-off", () => {
  renderScreen(
    <SquadScreen
      data={data([
        row("Odo", [], { aircraftName: null, setupNumber: null }),
        row("Ida", [], { setupNumber: null }),
        row("Bo", flown("rough", 1)),
        row("Una", flown("clean", 1)),
      ])}
    />,
  );
  const action = (name: string) => rowOf(name).getAllByRole("link")[1];
  expect(action("Odo")).toHaveTextContent("Add aircraft");
  expect(action("Ida")).toHaveTextContent("Make setup");
  expect(action("Bo")).toHaveAttribute("href", expect.stringMatching(/^\/brief\?pilot=bo/));
  expect(action("Una")).toHaveTextContent("Sign off");
  expect(screen.getByText(/ready for sign-off/)).toHaveTextContent("ready for sign-off 1");
});

it("warns of aircraft to be flown by eye first, and of steps that want flying again", () => {
  renderScreen(
    <SquadScreen data={data([row("Odo", flown("clean", 90), { checkFirst: ["Plank (repaired)"] }, ["flip-slow"])])} />,
  );
  expect(rowOf("Odo").getByText(/By eye first: Plank \(repaired\)/)).toBeVisible();
  expect(rowOf("Odo").getByText(/Review due: slow flip \(\d+\s% remembered\)/)).toBeVisible();
  expect(rowOf("Odo").getByText("No flight for 90 days")).toBeVisible();
});

it("puts most attention first, and says why", () => {
  const rows = [
    row("Fine", flown("rough", 1).slice(0, 4)),
    row("Gone", flown("rough", 40).slice(0, 4)),
    row("Ready", flown("clean", 1)),
    row("Asks", flown("rough", 1), { asksFor: ["flip-slow"] }),
    row(
      "Crashes",
      flown("crashed", 0.1).map((one, n) => ({ ...one, outcome: n < 4 ? "clean" : "crashed" }) as const),
    ),
  ];
  expect([...rows].sort(byNeed).map(({ name, reasons }) => [name, reasons[0]?.text ?? ""])).toEqual([
    ["Crashes", "crashes rise: rest"],
    ["Asks", "sign-off requested: slow flip"],
    ["Ready", "ready for sign-off"],
    ["Gone", "no flight for 40 days"],
    ["Fine", ""],
  ]);
});

it("of a large squad each has a line: the most pressing reason, the depth, and what comes next; filtered and sorted", async () => {
  const names = Array.from({ length: 30 }, (_, n) => `Pilot ${String(n).padStart(2, "0")}`);
  const rows = names.map((name, n) =>
    n === 4
      ? row(name, flown("clean", 1))
      : row(name, flown("rough", n + 1).slice(0, 4), {}, n === 7 ? ["sticks"] : []),
  );
  renderScreen(<SquadScreen data={data(rows)} />);
  expect(screen.getAllByRole("row")).toHaveLength(31);
  expect(rowOf("Pilot 04").getByText("Ready for sign-off")).toBeVisible();
  expect(rowOf("Pilot 04").getByRole("link", { name: "Sign off" })).toBeVisible();
  expect(rowOf("Pilot 07").getByRole("img", { name: /^Signed off: Ground school 1 of \d/ })).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Ready for sign-off" }));
  expect(screen.getAllByRole("row")).toHaveLength(2);
  expect(screen.getByText(/^1 pilot of/)).toHaveTextContent("1 pilot of 30");
  await userEvent.click(screen.getByRole("button", { name: "All" }));
  await userEvent.type(screen.getByRole("textbox", { name: "Filter pilots" }), "pilot 1");
  expect(screen.getAllByRole("row")).toHaveLength(11);
  await userEvent.click(screen.getByRole("combobox", { name: "Sort by" }));
  await userEvent.click(screen.getByRole("option", { name: "Longest without flying" }));
  expect(screen.getAllByRole("row")[1]).toHaveTextContent("Pilot 19");
});

it("of a very large squad only the rows in sight are drawn", () => {
  renderScreen(<SquadScreen data={data(Array.from({ length: 200 }, (_, n) => row(`Pilot ${n}`, [])))} />);
  expect(screen.getByRole("table")).toHaveAttribute("aria-rowcount", "201");
  expect(screen.getAllByRole("row").length).toBeLessThan(80);
});

it("sends of a pilot what a row shows, and none of the rest that is known of them", () => {
  const [one] = data([row("Odo", flown("rough", 9), { checkFirst: ["Plank"] }, ["sticks", "arm-reflex"])]).rows;
  expect(Object.keys(one.glance.current!).sort()).toEqual(["advice", "directions", "state", "stepId"]);
  expect(one.glance.current!.directions.map((direction) => Object.keys(direction).sort())).toEqual(
    ["back", "front"].map(() => ["attempts", "direction", "lastOutcomes", "posterior"]),
  );
  expect(one).not.toHaveProperty("checkFirst");
  expect(one.reasons.map(({ text }) => text)).toContain("by eye first: Plank");
});
