import { fireEvent, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { tricksOf, type SquadLine } from "@/contract";
import { recipes, type ItemWayOut, type LineFreezes, type LineItem, type LineMend } from "@/core";
import { standardDay } from "@/syllabus";
import { odo, plank, plankSetup } from "@/ui/testing/made-up";
import { inTheirPlace } from "@/ui/testing/on-the-spot";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import { LinesScreen } from "./lines-screen";
import type { LinesData } from "./load";

/** What takes long in a worker, as it would be answered; core's own tests are about what it is. */
// Flights are flown on the spot; what takes longer is answered as each test says.
jest.mock("@/ui/worker/use-newest", () => jest.requireActual("@/ui/testing/on-the-spot"));
const slow = {
  lineFreezes: (): Partial<LineFreezes> | null => null,
  lineWayOut: (): readonly ItemWayOut[] => [],
  lineMends: (): readonly LineMend[] => [],
};
inTheirPlace.lineFreezes = () => slow.lineFreezes();
inTheirPlace.lineWayOut = () => slow.lineWayOut();
inTheirPlace.lineMends = () => slow.lineMends();
jest.mock("@/ui/layout/when-seen", () => ({ WhenSeen: ({ children }: { children: React.ReactNode }) => children }));
jest.mock("@/ui/flight/scene", () => ({ __esModule: true, default: () => null }));
jest.mock("@/ui/scatter/pool", () => ({
  createPool: () => ({ run: () => new Promise(() => undefined), warm: () => undefined, close: () => undefined }),
}));

const trick = (recipe: string): LineItem => ({ kind: "trick", recipe });
const lineOf = (entryHeightM: number, ...items: LineItem[]): SquadLine["line"] => {
  const [first] = items;
  const start = first.kind === "trick" ? recipes[first.recipe as string].start : ({ kind: "cruise" } as const);
  return { start, entryHeightM, headingDeg: 0, items, anchors: [] };
};
const kept = (line: SquadLine["line"], change: Partial<SquadLine> = {}): SquadLine => ({
  id: "line",
  squadId: "squad",
  siteId: null,
  name: "Flip and roll",
  style: null,
  line,
  version: 2,
  pilotIds: ["odo"],
  savedBy: "Ann Pell",
  savedAtMs: 0,
  ...change,
});
const two = lineOf(16, trick("flip-one-move-back"), trick("roll-pure-right"));
const openOf = (line: SquadLine): Partial<LinesData> => ({
  lines: [line],
  open: {
    line,
    versions: [
      { number: 2, style: null, line: line.line, savedBy: "Ann Pell", savedAtMs: 0 },
      { number: 1, style: null, line: lineOf(16, trick("hang-left")), savedBy: "Edda Lind", savedAtMs: 0 },
    ],
  },
});
const data = (change: Partial<LinesData> = {}): LinesData => ({
  pilot: odo,
  aircraft: plank(),
  setup: plankSetup(2),
  lines: [],
  sites: [],
  plans: {},
  squadPilots: [
    { id: "odo", name: "Odo Fenn" },
    { id: "ida", name: "Ida Rook" },
  ],
  manner: { school: {}, own: [] },
  standings: { "flip-one-move": "signed-off", "roll-pure": "signed-off", hang: "learning" },
  day: standardDay,
  open: null,
  mayChange: true,
  tries: [],
  ownTries: [],
  ...change,
});
const show = (change: Partial<LinesData> = {}, begun: string | null = null) =>
  renderScreen(<LinesScreen data={data(change)} begun={begun} />, { address: "/lines?pilot=odo" });
/** What stands on the strip, in order. */
const strip = () => [...document.querySelectorAll("ol [aria-pressed]")].map((one) => one.textContent ?? "").join("|");
const flown = () => screen.findByLabelText(/^Height over the way/, {}, { timeout: 20_000 });
const press = (name: string | RegExp) => fireEvent.click(screen.getByText(name));

beforeEach(() => {
  jest.restoreAllMocks();
  localStorage.clear();
  fakeServer();
});

it("says what a line is where there is none, and what comes first without an aircraft", () => {
  show();
  expect(screen.getByText(/^A line is two or more tricks flown as one movement/)).toBeVisible();
  expect(screen.getByRole("link", { name: "Begin a line" })).toHaveAttribute(
    "href",
    expect.stringContaining("line=new"),
  );
});

it("is put together from nothing, flown at once, and kept under its name", async () => {
  const sent = fakeServer();
  show({}, "");
  press("Flip in one movement, backward");
  await flown();
  press(/^go to 8.0/);
  press("Pure roll, right");
  await waitFor(() => expect(strip()).toMatch(/1 Flip in one.*\|go to.*\|2 Pure roll, right.*out/), {
    timeout: 20_000,
  });
  expect(screen.getByText("Minimum start height")).toBeVisible();
  expect(screen.getByText("Save line")).toBeDisabled();
  fireEvent.change(screen.getByLabelText("Name"), { target: { value: "First" } });
  press("Save line");
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]).toMatchObject({
    action: "add-line",
    input: {
      squadId: odo.squadId,
      document: { name: "First", line: { items: [{ recipe: "flip-one-move-back" }, { kind: "join" }, {}] } },
    },
  });
  await waitFor(() => expect(navigation.journeys.join(" ")).toMatch(/line=/));
}, 60_000);

it("an item is moved, taken out and brought back by keys", async () => {
  show(openOf(kept(two)));
  await flown();
  const key = (one: string) => fireEvent.keyDown(document.body, { key: one });
  key("n");
  key("f");
  await waitFor(() => expect(strip()).toMatch(/^1 Pure roll, right.*\|2 Flip/));
  key("u");
  await waitFor(() => expect(strip()).toMatch(/^1 Flip.*\|2 Pure roll, right/));
  key("Backspace");
  await waitFor(() => expect(strip()).toMatch(/^1 Flip[^|]*$/));
  expect(screen.getByText("Save version")).toBeEnabled();
}, 60_000);

it("shows where it does not hold, in numbers, and a mend puts its joins in", async () => {
  jest.spyOn(slow, "lineFreezes").mockReturnValue({ wantsM: [null, 18], startHeight: null });
  const mend: LineMend = { joins: [{ kind: "climb", m: 4 }], s: 2, m: 12 };
  jest.spyOn(slow, "lineMends").mockReturnValue([mend]);
  show(openOf(kept(two)));
  await flown();
  expect(await screen.findByText(/needs 18.0.m, has 16/)).toBeVisible();
  expect(screen.getByText(/^not until 1 → 2 holds/)).toBeVisible();
  fireEvent.click(await screen.findByTitle(/^Takes 2/));
  await waitFor(() => expect(strip()).toMatch(/^1 Flip.*\|climb 4.*\|2 Pure roll/));
}, 60_000);

it("holds it to the height limit and the room of its site", async () => {
  const site = { id: "yard", squadId: "squad", name: "Yard", roomM: 1, ceilingM: 16.5, elevationM: null, version: 1 };
  const texts = { surface: "", features: "", hazards: "", rules: "", askWhom: "" };
  show({ ...openOf(kept(two, { siteId: "yard" })), sites: [{ ...site, ...texts }] });
  await flown();
  expect((await screen.findAllByText(/goes to .*, limit 16.5/)).length).toBeGreaterThan(0);
  expect(screen.getByText(/The line takes .* of room, and there are 2/)).toBeVisible();
}, 60_000);

const aTry = (n: number) => ({
  id: `try-${n}`,
  sessionId: "s",
  pilotId: "odo",
  stepId: "lines",
  direction: "two",
  outcome: "clean" as const,
  place: "field" as const,
  setupId: null,
  pack: 1,
  minutes: null,
  measured: {},
  faults: [],
  atMs: n,
  undone: false,
});

it("shows where tries broke, and opens the weak joint as a line of its own", async () => {
  const tryAt = (n: number, brokeAt: number | null) => ({
    ...aTry(n),
    outcome: brokeAt === null ? ("clean" as const) : ("bailed" as const),
    line: { id: "line", version: 2, name: "Flip and roll", tricks: ["flip-one-move-back", "roll-pure-right"], brokeAt },
  });
  show({ ...openOf(kept(two)), tries: [1, 1, null, 1].map((at, n) => tryAt(n, at)) });
  await flown();
  expect(screen.getByLabelText("Where it breaks")).toHaveTextContent("3 of 4 broke");
  press("Practise 1 → 2 by itself");
  expect(navigation.journeys.at(-1)).toMatch(/line=new&of=line-1/);
  expect(localStorage.getItem("bathygon-line-new-line-1")).toContain("roll-pure-right");
}, 60_000);

it("says what of a copied line is held and lost, and when to look again; its parts are named here", async () => {
  const sent = fakeServer();
  const parts = ["Gap late", "Dead stop"].map((name, i) => ({ id: `part-${i}`, name }));
  const copy = { from: "Ida's, from the film", parts, lookAfter: 3 };
  const line = { id: "line", version: 2, name: "Flip and roll", tricks: tricksOf(two.items), parts, brokeAt: null };
  const tries = [["part-0"], ["part-0", "part-1"], ["part-0"], ["part-0"]].map((held, i) => ({
    ...aTry(i),
    line: { ...line, held },
  }));
  // Someone else's tell nothing of this pilot.
  show({ ...openOf(kept(two, { copy })), tries: [...tries, { ...tries[0], id: "ida's", pilotId: "ida" }] });
  await flown();
  const said = screen.getByLabelText("Copying · Ida's, from the film");
  expect(said).toHaveTextContent("Lost: Dead stop. Look at the original again after 2 more tries.");
  expect(said).toHaveTextContent("1 Gap lateheld, 3 of the last 3");
  expect(said).toHaveTextContent("2 Dead stoplost, 1 of the last 3");
  press("Change one thing");
  expect(await screen.findByText("One thing changed")).toBeVisible();
  fireEvent.keyDown(screen.getByRole("dialog"), { key: "Escape" });
  press("Copied from someone");
  fireEvent.change(await screen.findByLabelText("Part 2"), { target: { value: "Stop dead " } });
  press("Add a part");
  fireEvent.click(screen.getByLabelText("Part 2 earlier"));
  press("Save version");
  await waitFor(() => expect(sent).toHaveLength(1));
  // One without a name is none.
  expect(sent[0].input).toMatchObject({
    document: { copy: { ...copy, parts: [{ id: "part-1", name: "Stop dead" }, parts[0]] } },
  });
}, 60_000);

it("is given to a pilot, and an earlier version is taken up again", async () => {
  const sent = fakeServer();
  show(openOf(kept(two)));
  await flown();
  fireEvent.click(screen.getByLabelText("Ida Rook"));
  await waitFor(() => expect(sent).toMatchObject([{ action: "give-line", input: { pilotId: "ida", given: true } }]));
  press("Versions");
  fireEvent.click(await screen.findByText("Go back to it"));
  await waitFor(() => expect(strip()).toMatch(/^1 Hang, left/));
  expect(screen.getByText(/, changed/)).toBeVisible();
}, 60_000);

it("is not changed by being given, by a name typed and taken back, or by what the page reads again", async () => {
  const flights = jest.spyOn(slow, "lineWayOut");
  const given = JSON.parse(JSON.stringify(kept(two, { pilotIds: ["odo", "ida"] }))) as SquadLine;
  function Page() {
    const [line, setLine] = useState(kept(two));
    return (
      <>
        <button onClick={() => setLine(given)}>Read again</button>
        <LinesScreen data={data(openOf(line))} begun={null} />
      </>
    );
  }
  renderScreen(<Page />, { address: "/lines?pilot=odo" });
  await flown();
  await waitFor(() => expect(flights).toHaveBeenCalledTimes(1));
  press("Read again");
  expect(screen.getByLabelText("Ida Rook")).toBeChecked();
  expect(screen.queryByText(/, changed/)).toBeNull();
  expect(screen.getByText("Save version")).toBeDisabled();
  fireEvent.change(screen.getByLabelText("Name"), { target: { value: "Flip and roll on" } });
  expect(await screen.findByText(/, changed/)).toBeVisible();
  // A name flies nothing anew.
  expect(flights).toHaveBeenCalledTimes(1);
  press("Undo");
  await waitFor(() => expect(screen.queryByText(/, changed/)).toBeNull());
}, 60_000);

it("a pilot reads what was given to them and changes nothing", async () => {
  show({ ...openOf(kept(two)), mayChange: false, squadPilots: [] });
  await flown();
  for (const gone of [/^Save version/, /^Keep/, /^Invent/, /^Remove/, /^Add after/])
    expect(screen.queryByText(gone)).toBeNull();
  expect(screen.getByText("Export file")).toBeEnabled();
}, 60_000);
