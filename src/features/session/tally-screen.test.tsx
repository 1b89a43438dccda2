import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Outcome } from "@/core";
import type { LoggedAttempt, Session } from "@/server/repositories";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import type { TallyData } from "./load";
import { TallyScreen } from "./tally-screen";

const session: Session = {
  id: "session",
  squadId: "squad",
  coachId: "coach",
  place: "field",
  startedAtMs: 0,
  endedAtMs: null,
  pilots: [
    { pilotId: "odo", stepId: "flip-slow", setupId: "setup" },
    { pilotId: "ida", stepId: "flip-one-move", setupId: null },
  ],
};
const attempt = (outcome: Outcome, direction: string, n: number, sessionId = "session"): LoggedAttempt => ({
  id: `${sessionId}-${direction}-${n}`,
  sessionId,
  pilotId: "odo",
  stepId: "flip-slow",
  direction,
  outcome,
  place: "field",
  setupId: "setup",
  pack: null,
  minutes: null,
  measured: {},
  faults: [],
  atMs: n * 1000,
  undone: false,
});
const data = (change: Partial<TallyData> = {}): TallyData => ({
  session,
  attempts: [],
  mayKeep: true,
  coaches: true,
  syllabi: [],
  site: null,
  pilots: [
    { id: "odo", name: "Odo Fenn", stepId: "flip-slow", setupId: "setup", earlier: [], signedOff: false },
    { id: "ida", name: "Ida Rook", stepId: "flip-one-move", setupId: null, earlier: [], signedOff: false },
  ],
  ...change,
});
const away = { status: 503, body: { ok: false, message: "away", fields: {} } };

beforeEach(() => localStorage.clear());

it("logs a tap with pilot, step, direction and time, and shows the count and verdict at once", async () => {
  const sent = fakeServer();
  renderScreen(<TallyScreen data={data()} />);
  expect(screen.getByText("Begin")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Clean, 0 so far" }));
  expect(screen.getByRole("button", { name: "Clean, 1 so far" })).toBeVisible();
  expect(screen.getByText(/Backward 1 of 1, forward not flown: stay/)).toBeVisible();
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]).toMatchObject({
    action: "log-attempt",
    input: { sessionId: "session", pilotId: "odo", stepId: "flip-slow", direction: "back", outcome: "clean" },
  });
  expect(Math.abs(Number(sent[0].input.flownAtMs) - Date.now())).toBeLessThan(5000);
});

it("takes keys for outcomes, direction, faults, undo and the next pilot", async () => {
  renderScreen(<TallyScreen data={data()} />);
  fakeServer();
  await userEvent.keyboard("rdc1");
  expect(screen.getByRole("radio", { name: /Forward/ })).toBeChecked();
  const list = screen.getByRole("region", { name: "Attempts of this session" });
  expect(
    within(list)
      .getAllByRole("listitem")
      .map((item) => item.textContent),
  ).toEqual([expect.stringContaining("clean, forward: sky at the stop"), expect.stringContaining("rough, backward")]);
  await userEvent.keyboard("u");
  expect(within(list).getAllByRole("listitem")).toHaveLength(1);
  await userEvent.keyboard("n");
  expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent("Ida Rook");
  expect(screen.queryByRole("region", { name: "Attempts of this session" })).toBeNull();
});

it("undoes an earlier attempt from the list, not only the last", async () => {
  const sent = fakeServer();
  renderScreen(<TallyScreen data={data({ attempts: [attempt("crashed", "back", 1), attempt("clean", "back", 2)] })} />);
  const list = screen.getByRole("region", { name: "Attempts of this session" });
  await userEvent.click(within(list).getAllByRole("button", { name: "Undo" })[1]);
  expect(screen.getByRole("button", { name: "Crashed, 0 so far" })).toBeVisible();
  await waitFor(() => expect(sent[0]).toEqual({ action: "undo-attempt", input: { id: "session-back-1" } }));
});

it("says what waits on the device while the server is away, and holds the end of the session until all is sent", async () => {
  fakeServer({ "log-attempt": away });
  renderScreen(<TallyScreen data={data()} />);
  await userEvent.keyboard("cc");
  expect(screen.getByText(/2 waiting on this device, safe/)).toBeVisible();
  expect(screen.getByRole("button", { name: "End the session once all is sent" })).toBeDisabled();
});

it("shows again after a reload what was tapped and not sent", async () => {
  fakeServer({ "log-attempt": away });
  const first = renderScreen(<TallyScreen data={data()} />);
  await userEvent.keyboard("xb");
  first.unmount();
  renderScreen(<TallyScreen data={data()} />);
  expect(screen.getByRole("button", { name: "Crashed, 1 so far" })).toBeVisible();
  expect(screen.getByRole("button", { name: "Bailed, 1 so far" })).toBeVisible();
});

it("keeps a refused tap in sight with its reason until it is dropped", async () => {
  fakeServer({ "log-attempt": { status: 404, body: { ok: false, message: "That session is gone.", fields: {} } } });
  renderScreen(<TallyScreen data={data()} />);
  await userEvent.keyboard("c");
  expect(await screen.findByText(/Not taken: That session is gone/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Drop it" }));
  expect(screen.queryByText(/Not taken/)).toBeNull();
});

it("counts earlier sessions towards the mark, and signs off when it is met", async () => {
  const sent = fakeServer();
  const earlier = [1, 2, 3, 4].flatMap((n) => [
    attempt("clean", "back", n, "before"),
    attempt("clean", "front", n, "before"),
  ]);
  const [odo, ida] = data().pilots;
  renderScreen(<TallyScreen data={data({ pilots: [{ ...odo, earlier }, ida] })} />);
  expect(screen.getByText("Advance")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Sign off slow flip" }));
  await waitFor(() => expect(navigation.journeys).toContain("refresh"));
  expect(sent[0]).toMatchObject({
    action: "sign-off",
    input: { pilotId: "odo", stepId: "flip-slow" },
  });
});

it("says that the mark is not met on the sign-off it still allows", () => {
  renderScreen(<TallyScreen data={data({ attempts: [attempt("rough", "back", 1)] })} />);
  expect(screen.getByRole("button", { name: "Sign off slow flip, mark not met" })).toBeVisible();
});

it("advises rest when crashes rise", () => {
  const hard = [..."ccrxrxx"].map((letter, n) =>
    attempt(({ c: "clean", r: "rough", x: "crashed" } as const)[letter as "c" | "r" | "x"], "back", n),
  );
  renderScreen(<TallyScreen data={data({ attempts: hard })} />);
  expect(screen.getByText("Rest")).toBeVisible();
});

it("shows a debrief of an ended session by pilot and direction, and opens it again", async () => {
  const sent = fakeServer();
  renderScreen(
    <TallyScreen data={data({ session: { ...session, endedAtMs: 9 }, attempts: [attempt("clean", "back", 1)] })} />,
  );
  expect(screen.getByRole("heading", { name: "Odo Fenn: Slow flip" })).toBeVisible();
  expect(screen.queryByRole("button", { name: /^Clean,/ })).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "Open it again" }));
  expect(sent[0]).toEqual({ action: "reopen-session", input: { id: "session" } });
});

it("counts packs and the time on the present one, over a reload", async () => {
  const first = renderScreen(<TallyScreen data={data()} />);
  await userEvent.click(screen.getByRole("button", { name: "Start pack 1" }));
  expect(screen.getByRole("button", { name: /^Pack 1, 0:0\d/ })).toBeVisible();
  first.unmount();
  renderScreen(<TallyScreen data={data()} />);
  await userEvent.click(screen.getByRole("button", { name: /^Pack 1/ }));
  expect(screen.getByRole("button", { name: "Start pack 2" })).toBeVisible();
});
