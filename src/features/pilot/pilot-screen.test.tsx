import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Attempt, Outcome } from "@/core";
import type { Milestone } from "@/contract";
import { odo, oneSquad, standingWith } from "@/ui/testing/made-up";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import type { PilotData } from "./load";
import { PilotScreen } from "./pilot-screen";
import { shownStanding } from "./sounded";

const DAY_MS = 86_400_000;
const nowMs = 100 * DAY_MS;
const flown = (direction: string, outcomes: readonly Outcome[]): (Attempt & { stepId: string })[] =>
  outcomes.map((outcome, n) => ({
    stepId: "flip-slow",
    direction,
    outcome,
    place: "field",
    setupId: "s",
    atMs: nowMs - DAY_MS + n,
  }));
const milestone: Milestone = {
  id: "m",
  pilotId: "odo",
  stepId: "flip-slow",
  coachId: "coach",
  coachName: "Ann Pell",
  evidence: { advice: "advance", sentence: "Backward 4 of the last 4.", directions: [] },
  note: "calm <i>hands</i>",
  signedAtMs: 90 * DAY_MS,
  broughtIn: false,
};
function data(attempts: (Attempt & { stepId: string })[], change: Partial<PilotData> = {}, asList = false): PilotData {
  const milestones = change.milestones ?? [];
  const { standing, lookedAt } = standingWith(attempts, { signedOff: milestones.map((one) => one.stepId), nowMs });
  return {
    pilot: odo,
    ...shownStanding(standing, asList),
    lookedAt,
    school: {},
    squadSchool: {},
    milestones,
    notes: [],
    history: [],
    historyShown: "newest",
    requests: [],
    loggedAlone: {},
    homework: [],
    squads: [oneSquad],
    coaches: true,
    nowMs,
    ...change,
  };
}

it("lists every step with its state, and the evidence of each direction", () => {
  const attempts = [...flown("back", ["clean", "clean", "rough", "clean"]), ...flown("front", ["rough"])];
  renderScreen(<PilotScreen data={data(attempts, {}, true)} />);
  const stage = screen.getByText("Flips and rolls", { selector: "summary" }).closest("details")!;
  expect(stage).toHaveAttribute("open");
  expect(within(stage).getAllByRole("link", { name: /^\d+ .*flip/i }).length).toBeGreaterThanOrEqual(6);
  expect(within(stage).getAllByText("not started").length).toBeGreaterThan(2);
  // Stages in which nothing has happened are folded away.
  expect(screen.getByText("Upside down", { selector: "summary" }).closest("details")).not.toHaveAttribute("open");
  const back = within(stage).getByRole("button", { name: /^backward: 3 of the last 4, clean rate/ });
  expect(back).toHaveTextContent("passes");
  expect(within(stage).getByRole("button", { name: /^forward: 0 of 1, clean rate/ })).toHaveTextContent("0 of 1");
});

it("opens the counting rule and the numbers behind a clean rate", async () => {
  renderScreen(<PilotScreen data={data(flown("back", ["clean", "rough"]))} />);
  await userEvent.click(screen.getByRole("button", { name: /^backward/ }));
  const why = await screen.findByRole("dialog", { name: "Why this number" });
  expect(why).toHaveTextContent("attempts that count2");
  expect(why).toHaveTextContent("of them clean1");
  expect(why).toHaveTextContent(/Beta/);
});

it("speaks of a favoured side once it is likely", () => {
  renderScreen(
    <PilotScreen data={data([...flown("back", Array(8).fill("clean")), ...flown("front", Array(8).fill("rough"))])} />,
  );
  expect(screen.getByText(/Favours backward: better with/)).toBeVisible();
});

it("shows homework with how far it has come, and leads to its drill", () => {
  const one = { id: "h", pilotId: "odo", stepId: "hang", tries: 6, dueAtMs: nowMs - 1, setAtMs: 0, done: 2 };
  renderScreen(<PilotScreen data={data(flown("back", ["clean"]), { homework: [one] })} />);
  const region = screen.getByRole("region", { name: "Homework" });
  expect(region).toHaveTextContent(/^Homework▲ Hang: overdue, 2 of 6 clean tries, due/);
  expect(within(region).getByRole("link", { name: "Hang" })).toHaveAttribute(
    "href",
    expect.stringContaining("/practice"),
  );
});

it("signs off with a note, warning when the mark is not met", async () => {
  const sent = fakeServer();
  renderScreen(<PilotScreen data={data(flown("back", ["rough"]))} />);
  await userEvent.keyboard("o");
  const dialog = screen.getByRole("dialog", { name: /Sign off slow flip for Odo Fenn/ });
  expect(dialog).toHaveTextContent("The mark is not met");
  await userEvent.type(within(dialog).getByLabelText("Note (optional)"), "moves house");
  await userEvent.click(within(dialog).getByRole("button", { name: "Sign off" }));
  await waitFor(() => expect(navigation.journeys).toContain("refresh"));
  expect(sent[0]).toMatchObject({
    action: "sign-off",
    input: { pilotId: "odo", stepId: "flip-slow", note: "moves house" },
  });
});

it("shows a milestone with who, evidence and note as typed, and takes it back with an undo", async () => {
  const sent = fakeServer();
  renderScreen(<PilotScreen data={data(flown("back", ["clean"]), { milestones: [milestone] })} />);
  const region = screen.getByRole("region", { name: "Milestones" });
  expect(region).toHaveTextContent("Ann Pell");
  expect(region).toHaveTextContent("Backward 4 of the last 4.");
  expect(region).toHaveTextContent("calm <i>hands</i>");
  await userEvent.click(within(region).getByRole("button", { name: "Undo sign-off" }));
  await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() => expect(sent.map(({ action }) => action)).toEqual(["withdraw-sign-off", "restore-sign-off"]));
});

it("keeps a note, and changes the pilot on the version that was read", async () => {
  const sent = fakeServer();
  renderScreen(<PilotScreen data={data([])} />);
  await userEvent.type(screen.getByLabelText("New note"), "calm today");
  await userEvent.click(screen.getByRole("button", { name: "Save note" }));
  await waitFor(() =>
    expect(sent[0]).toMatchObject({
      action: "add-note",
      input: { text: "calm today", pilotId: "odo" },
    }),
  );
  await userEvent.click(screen.getByRole("button", { name: "Change" }));
  await userEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() =>
    expect(sent[1]).toMatchObject({ action: "edit-pilot", input: { id: "odo", version: 4, stickMode: 2 } }),
  );
});

it("tells sessions and setups of the past in one line each, the newest first and older ones when asked", async () => {
  const outcomes = { clean: 3, rough: 1, bailed: 0, crashed: 0 };
  renderScreen(
    <PilotScreen
      data={data([], {
        history: [
          {
            kind: "session",
            id: "s1",
            atMs: nowMs,
            place: "field",
            steps: [{ stepId: "flip-slow", direction: "back", outcomes }],
          },
          { kind: "setup", id: "v2", atMs: nowMs, number: 2, reason: "more tilt", coachName: "Ann Pell" },
        ],
        historyShown: "newest-of-more",
      })}
    />,
  );
  const history = screen.getByRole("region", { name: "History" });
  expect(within(history).getByRole("link")).toHaveAttribute("href", "/session/s1");
  expect(history).toHaveTextContent("Slow flip, backward");
  expect(history).toHaveTextContent("Setup 2 by Ann Pell: more tilt");
  await userEvent.click(within(history).getByRole("button", { name: "Show older" }));
  expect(navigation.journeys.at(-1)).toMatch(/^\/pilot\?.*step=sticks&history=all/);
});

describe("depth chart", () => {
  const mark = (name: RegExp) =>
    within(screen.getByRole("group", { name: /arrows move/ })).getByRole("button", { name });

  it("tells each step's state, needs and what it opens, moves by arrows and looks closer at Enter", async () => {
    renderScreen(<PilotScreen data={data(flown("back", ["clean"]), { milestones: [milestone] })} />, {
      address: "/pilot?pilot=odo",
    });
    const slow = mark(/^Slow flip: signed off/);
    expect(slow).toHaveAccessibleName(
      /needs Stop course, Figure eight round two markers\. opens .*Flip, ease the last quarter/,
    );
    act(() => slow.focus());
    await userEvent.keyboard("{ArrowDown}");
    expect(mark(/^Flip, ease the last quarter/)).toHaveFocus();
    await userEvent.keyboard("{Enter}");
    expect(navigation.journeys.at(-1)).toMatch(/^\/pilot\?.*step=flip-ease-quarter/);
  });

  it("dims what a filter leaves out; the list is asked for with the step looked at", async () => {
    renderScreen(<PilotScreen data={data(flown("back", ["clean", "rough"]))} />);
    await userEvent.click(screen.getByRole("button", { name: "learning" }));
    expect(mark(/^Slow flip/)).toHaveStyle({ opacity: "1" });
    expect(mark(/^Hang/)).toHaveStyle({ opacity: "0.28" });
    await userEvent.click(screen.getByRole("button", { name: "As a list" }));
    expect(navigation.journeys.at(-1)).toMatch(/^\/pilot\?.*step=flip-slow&view=list/);
  });

  it("lists only what a filter keeps", async () => {
    renderScreen(<PilotScreen data={data(flown("back", ["clean", "rough"]), {}, true)} />);
    expect(screen.getByRole("link", { name: /^\d+ Hang/ })).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "learning" }));
    expect(screen.getByRole("link", { name: /^\d+ Slow flip/ })).toBeVisible();
    expect(screen.queryByRole("link", { name: /^\d+ Hang/ })).toBeNull();
  });

  it("keeps a school of the pilot's own over the squad's, on the version that was read", async () => {
    const sent = fakeServer();
    renderScreen(<PilotScreen data={data([], { squadSchool: { loop: "float" } })} />);
    const panel = screen.getByText("School", { selector: "summary" });
    await userEvent.click(panel);
    expect(await screen.findByRole("combobox", { name: /Powered loop/ })).toHaveTextContent(
      "as the squad: float over the top",
    );
    fireEvent.mouseDown(screen.getByRole("combobox", { name: /First route/ }));
    await userEvent.click(screen.getByRole("option", { name: "self-level first" }));
    await userEvent.click(screen.getByRole("button", { name: "Save choices" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      action: "set-pilot-school",
      input: { id: "odo", school: { route: "self-level" }, version: 4 },
    });
  });
});

it("places a pilot who comes with experience, and takes it back", async () => {
  const sent = fakeServer({ "place-pilot": { status: 200, body: { ok: true, data: { count: 17 } } } });
  renderScreen(<PilotScreen data={data([])} />);
  await userEvent.click(screen.getByRole("button", { name: "Set starting step" }));
  await userEvent.click(screen.getByRole("combobox", { name: "Starts at" }));
  await userEvent.click(screen.getByRole("option", { name: "Slow flip" }));
  expect(screen.getByText(/^\d+ steps before it are signed off as from before this record/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Place pilot" }));
  expect(await screen.findByText("17 steps signed off as from before this record")).toBeVisible();
  await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() => expect(sent.map(({ action }) => action)).toEqual(["place-pilot", "unplace-pilot"]));
  expect(sent[0].input).toMatchObject({ pilotId: "odo", stepId: "flip-slow" });
  expect(sent[1].input).toEqual(sent[0].input);
});

it("says that a mark is not met only where it is not: one that may be luck is met", async () => {
  const lucky = [
    ...flown("back", ["clean", "clean", "rough", "clean"]),
    ...flown("front", ["clean", "clean", "rough", "clean"]),
  ];
  renderScreen(<PilotScreen data={data(lucky)} />);
  expect(screen.getByText(/pass mark met, but it may be luck/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Sign off slow flip" }));
  expect(screen.queryByText(/The mark is not met/)).toBeNull();
});
