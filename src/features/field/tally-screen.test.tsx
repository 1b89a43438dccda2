import { builtInSyllabus, cueFor, standardDay } from "@/syllabus";
import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { courses, EMPTY_PLAN, type Outcome } from "@/core";
import type { LoggedAttempt, Session, TallyData } from "@/contract";
import { freshDevice } from "@/ui/testing/fresh-device";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { tallyPilot } from "@/contract/testing/made-up-pilot";
import { TallyScreen } from "./tally-screen";

const session: Session = {
  id: "session",
  squadId: "squad",
  coachId: "coach",
  place: "field",
  startedAtMs: 0,
  begun: true,
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
  accountId: "account",
  name: "Ann Pell",
  others: [],
  session,
  attempts: [],
  notes: [],
  mayKeep: true,
  coaches: true,
  syllabi: [],
  day: standardDay,
  site: null,
  pilots: [
    tallyPilot("odo", "Odo Fenn", ["flip-slow"], { setupId: "setup" }),
    tallyPilot("ida", "Ida Rook", ["flip-one-move"]),
  ],
  ...change,
});
const verdict = () => screen.getByRole("region", { name: /^Verdict for/ });
const away = { status: 503, body: { ok: false, message: "away", fields: {} } };

beforeEach(async () => {
  fakeServer();
  await freshDevice();
});

it("logs a tap with pilot, step, direction and time, and shows the count and verdict at once", async () => {
  const sent = fakeServer();
  const begunMs = Date.now();
  renderScreen(<TallyScreen data={data()} />);
  expect(within(verdict()).getByText("Begin")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Clean, 0 so far" }));
  expect(screen.getByRole("button", { name: "Clean, 1 so far" })).toBeVisible();
  expect(within(verdict()).getByText(/Backward 1 of 1, forward not flown: stay/)).toBeVisible();
  // Also in a line between the direction and the targets, where it is seen without scrolling.
  expect(screen.getByTitle(/Backward 1 of 1, forward not flown: stay/)).toHaveTextContent(/^Stay\./);
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]).toMatchObject({
    action: "log-attempt",
    input: { sessionId: "session", pilotId: "odo", stepId: "flip-slow", direction: "back", outcome: "clean" },
  });
  const flownAtMs = Number(sent[0].input.flownAtMs);
  expect(begunMs <= flownAtMs && flownAtMs <= Date.now()).toBe(true);
});

it("takes what was measured of the last attempt, short or past by a tap, and says what is no number", async () => {
  const sent = fakeServer();
  renderScreen(<TallyScreen data={data({ attempts: [attempt("clean", "back", 1)] })} />);
  const measured = () => sent.filter(({ action }) => action === "set-measured").map(({ input }) => input.measured);
  const field = screen.getByLabelText("Stop error, °");
  await userEvent.type(field, "12,5{Enter}");
  await waitFor(() => expect(measured()).toEqual([{ stopErrorDeg: 12.5 }]));
  await userEvent.click(screen.getByRole("button", { name: "short" }));
  await waitFor(() => expect(measured().at(-1)).toEqual({ stopErrorDeg: -12.5 }));
  expect(field).toHaveValue("12,5");
  await userEvent.clear(field);
  await userEvent.type(field, "a lot");
  await userEvent.type(screen.getByLabelText("Swing back, °"), "3{Enter}");
  expect(screen.getByText("Enter a number, e.g. 12 or 4.5")).toBeVisible();
  await waitFor(() => expect(measured().at(-1)).toEqual({ bounceBackDeg: 3 }));
  await userEvent.clear(field);
  await userEvent.type(field, "-4{Enter}");
  await waitFor(() => expect(measured().at(-1)).toEqual({ stopErrorDeg: -4, bounceBackDeg: 3 }));
});

it("counts laps, touches and poles missed by taps; a missed pole makes the pack a rough one, and the verdict says so", async () => {
  const sent = fakeServer();
  const slalom = tallyPilot("odo", "Odo Fenn", ["slalom"], { setupId: "setup" });
  const [direction] = builtInSyllabus.stepById.get("slalom")!.directions;
  const flown = { ...attempt("clean", direction.id, 1), stepId: "slalom" };
  const own = { ...session, pilots: [{ pilotId: "odo", stepId: "slalom", setupId: "setup" }] };
  renderScreen(<TallyScreen data={data({ session: own, pilots: [slalom], attempts: [flown] })} />);
  expect(screen.getByRole("button", { name: "One fewer: laps" })).toBeDisabled();
  await userEvent.click(screen.getByRole("button", { name: "One more: laps" }));
  await userEvent.click(screen.getByRole("button", { name: "One more: laps" }));
  expect(screen.getByRole("button", { name: "Clean, 1 so far" })).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "One more: poles missed" }));
  expect(screen.getByRole("button", { name: "Clean, 0 so far" })).toBeVisible();
  expect(screen.getByRole("button", { name: "Rough, 1 so far" })).toBeVisible();
  await waitFor(() => expect(sent.at(-1)).toMatchObject({ input: { measured: { laps: 2, missedPoles: 1 } } }));
});

it("opens the courses of the site on the device: the tapes of the pole that comes next, ticked as they stand", async () => {
  const line = courses["stop-line"]({ headingDeg: 90 });
  const course = {
    ...({ id: "line", kind: "stop-line", name: "", parameters: {}, poles: line.poles } as const),
    order: line.poles.map(({ id }) => id),
    pegs: [
      { eastM: -16, northM: -8 },
      { eastM: 16, northM: -8 },
    ] as const,
  };
  const plan = { siteName: "Pans", plan: { ...EMPTY_PLAN, courses: [course] } };
  renderScreen(<TallyScreen data={data()} kept={{ briefs: [], plan }} />);
  await userEvent.click(screen.getByRole("button", { name: "Set out a course" }));
  // In the order of walking, which is that of the list.
  const [first, second] = screen.getAllByRole("checkbox").map((box) => /\d/.exec(box.getAttribute("aria-label")!)![0]);
  expect(screen.getByRole("img", { name: `Stop line: 5 poles, next ${first}` })).toBeVisible();
  await userEvent.click(screen.getByRole("checkbox", { name: `Pole ${first} stands` }));
  expect(screen.getByRole("img", { name: `Stop line: 5 poles, next ${second}` })).toBeVisible();
});

it("keeps a note of the pilot, and what was begun of it while others fly", async () => {
  const sent = fakeServer();
  renderScreen(<TallyScreen data={data()} />);
  const write = (text: string) => userEvent.type(screen.getByLabelText("What did you see?"), text);
  await userEvent.click(screen.getByRole("button", { name: "Note" }));
  expect(screen.getByRole("button", { name: "Save note" })).toBeDisabled();
  await write("Looks down before");
  await userEvent.click(screen.getByRole("button", { name: "Back" }));
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  await userEvent.keyboard("n");
  await userEvent.keyboard("o");
  expect(await screen.findByRole("dialog", { name: "Note of Ida Rook" })).toBeVisible();
  expect(screen.getByLabelText("What did you see?")).toHaveValue("");
  await userEvent.click(screen.getByRole("button", { name: "Back" }));
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  await userEvent.keyboard("n");
  await userEvent.click(screen.getByRole("button", { name: "Note" }));
  await write(" the punch.");
  await userEvent.click(screen.getByRole("button", { name: "Save note" }));
  const noted = within(screen.getByRole("list", { name: "Notes of this session" }));
  expect(noted.getByText("Looks down before the punch.")).toBeVisible();
  await waitFor(() =>
    expect(sent).toMatchObject([
      {
        action: "add-session-note",
        input: { sessionId: "session", pilotId: "odo", text: "Looks down before the punch." },
      },
    ]),
  );
  // Keys of the tally are the letters of the note while it is written.
  expect(screen.getByRole("button", { name: "Clean, 0 so far" })).toBeVisible();
});

it("goes on with a step that has been left out of the syllabus since, and debriefs it", async () => {
  const pilots = [tallyPilot("odo", "Odo Fenn", ["left-out-since"])];
  const flying = renderScreen(<TallyScreen data={data({ pilots })} />);
  await userEvent.click(screen.getByRole("button", { name: "Clean, 0 so far" }));
  expect(screen.getByRole("button", { name: "Clean, 1 so far" })).toBeVisible();
  // Counted by itself, not against the mark of another step.
  expect(screen.getByRole("radio")).toHaveTextContent("1/1");
  flying.unmount();
  const attempts = [{ ...attempt("clean", "back", 1), stepId: "left-out-since" }];
  renderScreen(<TallyScreen data={data({ pilots, attempts, session: { ...session, endedAtMs: 9 } })} />);
  expect(screen.getByRole("heading", { name: "Odo Fenn: left-out-since" })).toBeVisible();
  expect(screen.getByText(/in no syllabus any more.*no mark to judge it by/)).toBeVisible();
  expect(screen.queryByRole("button", { name: /^Sign off/ })).toBeNull();
});

it("says in the debrief what to fly next time", () => {
  const clean = (n: number) => ["back", "front"].map((direction) => attempt("clean", direction, n));
  const shown = (attempts: readonly LoggedAttempt[], signedOff = false, currentStepId = "flip-slow") => {
    const pilots = [
      {
        ...tallyPilot("odo", "Odo Fenn", ["flip-slow"], { currentStepId }),
        signedOff: signedOff ? ["flip-slow"] : [],
      },
    ];
    const { unmount } = renderScreen(
      <TallyScreen data={data({ pilots, attempts, session: { ...session, endedAtMs: 9 } })} />,
    );
    const said = screen.getByText(/^Next time/).textContent;
    unmount();
    return said;
  };
  const met = [1, 2, 3, 4].flatMap(clean);
  expect(shown([attempt("clean", "back", 1)])).toBe("Next time: slow flip again.");
  expect(shown(met)).toBe("Next time: Flip, ease the last quarter, once slow flip is signed off.");
  expect(shown(met, true)).toBe("Next time: Flip, ease the last quarter.");
  // A step long signed off was flown again: the pilot goes on where they are.
  expect(shown(met, true, "flip-ease-end")).toBe("Next time: Flip, ease only the end.");
  const hard = [..."ccrcrrxxrxxr"].map((letter, n) =>
    attempt(({ c: "clean", r: "rough", x: "crashed" } as const)[letter as "c" | "r" | "x"], "back", n),
  );
  expect(shown(hard)).toBe("Next time: rested, slow flip again, few at a time.");
});

it("shows again on which side of the mark the last attempt was measured", () => {
  renderScreen(
    <TallyScreen data={data({ attempts: [{ ...attempt("rough", "back", 1), measured: { stopErrorDeg: -9 } }] })} />,
  );
  expect(screen.getByLabelText("Stop error, °")).toHaveValue("9");
  expect(screen.getByRole("button", { name: "short", pressed: true })).toBeVisible();
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
  ).toEqual([expect.stringContaining("clean, forward: stopped on sky"), expect.stringContaining("rough, backward")]);
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

it("says what waits on the device while the server is away; the session can be closed all the same, and opened again", async () => {
  fakeServer({ "log-attempt": away });
  renderScreen(<TallyScreen data={data()} />);
  await userEvent.keyboard("cc");
  expect(await screen.findByText(/2 waiting on this device, safe/)).toBeVisible();
  // Asked once: a tap with a glove on may be a mistake.
  await userEvent.click(screen.getByRole("button", { name: "End the session" }));
  expect(screen.getByRole("dialog")).toHaveTextContent(/also what still waits on this device/);
  await userEvent.click(screen.getByRole("button", { name: "Fly on" }));
  expect(screen.queryByRole("heading", { name: "Debrief" })).toBeNull();
  await userEvent.click(await screen.findByRole("button", { name: "End the session" }));
  await userEvent.click(screen.getByRole("button", { name: "End it" }));
  expect(await screen.findByRole("heading", { name: "Debrief" })).toBeVisible();
  expect(await screen.findByText(/3 waiting on this device, safe/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Open it again" }));
  expect(screen.getByRole("button", { name: "Clean, 2 so far" })).toBeVisible();
});

it("shows again after a reload what was tapped and not sent", async () => {
  fakeServer({ "log-attempt": away });
  const first = renderScreen(<TallyScreen data={data()} />);
  await userEvent.keyboard("xb");
  expect(await screen.findByText(/2 waiting on this device, safe/)).toBeVisible();
  first.unmount();
  renderScreen(<TallyScreen data={data()} />);
  expect(await screen.findByRole("button", { name: "Crashed, 1 so far" })).toBeVisible();
  expect(screen.getByRole("button", { name: "Bailed, 1 so far" })).toBeVisible();
});

it("keeps a refused tap in sight with its reason until it is put right or dropped, and sends it with what followed it", async () => {
  const gone = { status: 422, body: { ok: false, message: "That step is not flown in this direction.", fields: {} } };
  fakeServer({ "log-attempt": gone, "set-faults": gone });
  renderScreen(<TallyScreen data={data()} />);
  await userEvent.keyboard("c1");
  expect(await screen.findByText(/Not taken, an attempt: That step is not flown/)).toBeVisible();
  expect(await screen.findByText(/Not taken, the faults of an attempt/)).toBeVisible();
  const sent = fakeServer();
  await userEvent.click(screen.getAllByRole("button", { name: "Fix it" })[0]);
  fireEvent.mouseDown(screen.getByRole("combobox", { name: "Direction" }));
  await userEvent.click(screen.getByRole("option", { name: "forward" }));
  await userEvent.click(screen.getByRole("button", { name: "Send it" }));
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(screen.queryByText(/Not taken/)).toBeNull();
  expect(sent.map(({ action, input }) => [action, input.direction])).toEqual([
    ["log-attempt", "front"],
    ["set-faults", undefined],
  ]);
});

it("lets go of a refused tap only when it is dropped", async () => {
  fakeServer({ "log-attempt": { status: 404, body: { ok: false, message: "That session is gone.", fields: {} } } });
  renderScreen(<TallyScreen data={data()} />);
  await userEvent.keyboard("c");
  expect(await screen.findByText(/Not taken, an attempt: That session is gone/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Drop it" }));
  await waitFor(() => expect(screen.queryByText(/Not taken/)).toBeNull());
});

it("counts earlier sessions towards the mark, and signs off when it is met", async () => {
  const sent = fakeServer();
  const earlier = [1, 2, 3, 4].flatMap((n) => [
    attempt("clean", "back", n, "before"),
    attempt("clean", "front", n, "before"),
  ]);
  const [odo, ida] = data().pilots;
  const steps = [{ stepId: "flip-slow", earlier }];
  renderScreen(<TallyScreen data={data({ pilots: [{ ...odo, steps }, ida] })} />);
  expect(screen.getByText("Advance")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Sign off slow flip" }));
  expect(screen.getByText("Signed off")).toBeVisible();
  await waitFor(() => expect(sent).toHaveLength(1));
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
  const hard = [..."ccrcrrxxrxxr"].map((letter, n) =>
    attempt(({ c: "clean", r: "rough", x: "crashed" } as const)[letter as "c" | "r" | "x"], "back", n),
  );
  renderScreen(<TallyScreen data={data({ attempts: hard })} />);
  expect(screen.getByText("Rest")).toBeVisible();
});

it("shows a debrief of an ended session by pilot and direction, and opens it again", async () => {
  const sent = fakeServer();
  renderScreen(
    <TallyScreen
      data={data({
        session: { ...session, endedAtMs: 9 },
        attempts: [attempt("clean", "back", 1), { ...attempt("rough", "back", 2), faults: ["dropped"] }],
      })}
    />,
  );
  expect(screen.getByRole("heading", { name: "Odo Fenn: Slow flip" })).toBeVisible();
  expect(screen.getByText(/comes round low.*once: Punch longer/)).toBeVisible();
  expect(screen.queryByRole("button", { name: /^Clean,/ })).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "Open it again" }));
  await waitFor(() => expect(sent[0]).toEqual({ action: "reopen-session", input: { id: "session" } }));
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

describe("a planned session", () => {
  const planned = (change: Partial<TallyData> = {}) => {
    const block = (kind: "warm-up" | "main" | "free", stepId: string | null, minutes: number) =>
      ({
        kind,
        stepId,
        minutes,
        firstDirection: kind === "main" ? "front" : null,
        reason: { kind: "said", says: `The reason for the ${kind}.` },
      }) as const;
    return data({
      pilots: [
        tallyPilot("odo", "Odo Fenn", ["stop-course", "flip-slow"], {
          blocks: [block("warm-up", "stop-course", 2), block("main", "flip-slow", 4), block("free", null, 2)],
          turns: [0, 2],
        }),
        tallyPilot("ida", "Ida Rook", ["flip-one-move"], { turns: [1] }),
      ],
      ...change,
    });
  };
  const blocks = () =>
    within(screen.getByRole("group", { name: "Plan of this pilot" }))
      .getAllByRole("button", { pressed: undefined })
      .map((button) => [button.textContent, button.getAttribute("aria-pressed")]);

  it("is begun in the field, by the clock of the device", async () => {
    const sent = fakeServer();
    renderScreen(<TallyScreen data={planned({ session: { ...session, begun: false } })} />);
    expect(screen.getByText(/An observer stands beside the pilot/)).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Begin the session" }));
    expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent("Odo Fenn");
    await waitFor(() => expect(sent[0]).toMatchObject({ action: "begin-session", input: { id: "session" } }));
  });

  it("follows the order of turns, each pilot at the block their packs have come to", async () => {
    renderScreen(<TallyScreen data={planned()} />);
    expect(screen.getByText(/turn/)).toHaveTextContent("turn 1/2");
    expect(blocks()[0]).toEqual(["Warm-up 2 minStop course", "true"]);
    await userEvent.keyboard("n");
    expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent("Ida Rook");
    await userEvent.keyboard("n");
    expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent("Odo Fenn");
    expect(blocks().find(([, on]) => on === "true")![0]).toContain("Slow flip");
    expect(screen.getByRole("radio", { name: /Forward/ })).toBeChecked();
    expect(screen.getByText(/The reason for the main/)).toBeVisible();
  });

  it("lets anybody fly out of turn by a tap on the name, who is next first, and goes back a turn", async () => {
    renderScreen(<TallyScreen data={planned({ attempts: [attempt("clean", "back", 1)] })} />);
    const turnOf = () => screen.getByRole("heading", { level: 1 }).textContent;
    await userEvent.click(screen.getByRole("button", { name: /whose turn it is/ }));
    const listed = () =>
      within(screen.getByRole("dialog"))
        .getAllByRole("button")
        .map((one) => one.textContent);
    expect(listed()).toEqual([
      ...["Ida Rooknext, 0 attempts", "Leaves", "Odo Fennflying now, 1 attempt", "Leaves"],
      "Back to the turn before",
    ]);
    await userEvent.click(within(screen.getByRole("dialog")).getByRole("button", { name: /^Ida Rook next/ }));
    await waitFor(() => expect(turnOf()).toBe("Ida Rook"));
    await userEvent.click(await screen.findByRole("button", { name: /whose turn it is/ }));
    await userEvent.click(screen.getByRole("button", { name: "Back to the turn before" }));
    await waitFor(() => expect(turnOf()).toBe("Odo Fenn"));
  });

  it("takes in who comes late, and lets go who leaves: their turn goes on to the next", async () => {
    const sent = fakeServer();
    renderScreen(<TallyScreen data={planned({ others: [tallyPilot("kit", "Kit Marl", ["hang"])] })} />);
    const name = () => screen.getByRole("heading", { level: 1 }).textContent;
    await userEvent.click(screen.getByRole("button", { name: /whose turn it is/ }));
    await userEvent.click(screen.getByRole("button", { name: "Kit Marl" }));
    await userEvent.click(await screen.findByRole("button", { name: "Odo Fenn leaves" }));
    await userEvent.click(await screen.findByRole("button", { name: /^Kit Marl next/ }));
    await waitFor(() => expect(name()).toBe("Kit Marl"));
    await waitFor(() => expect(sent.map(({ action }) => action)).toEqual(["take-in", "let-go"]));
    expect(sent[0].input).toMatchObject({ pilotId: "kit", stepId: "hang", setupId: null });
    await userEvent.click(await screen.findByRole("button", { name: /whose turn it is/ }));
    const absent = within(screen.getByRole("list", { name: "Pilots not in this session" }));
    expect(absent.getByRole("button")).toHaveTextContent("Odo Fennwas here");
  });

  it("opens the check of an aircraft that crashed, and marks it until it is done", async () => {
    const sent = fakeServer();
    const aircraft = { id: "plank", name: "Plank", flightState: "flying", clearedAtMs: 0, openCrashes: [] } as const;
    const flown = tallyPilot("odo", "Odo Fenn", ["flip-slow"], {
      setupId: "setup",
      aircraft: { ...aircraft, lastTilt: null, tiltDeg: 25 },
    });
    renderScreen(<TallyScreen data={data({ pilots: [flown] })} />);
    await userEvent.click(screen.getByRole("button", { name: /^Crashed/ }));
    const check = within(await screen.findByRole("dialog", { name: "After the crash: Plank" }));
    await userEvent.click(check.getByRole("button", { name: "All fine" }));
    await userEvent.type(check.getByLabelText("Tilt now, °"), "25");
    await userEvent.click(check.getByRole("switch", { name: /Hovers/ }));
    await userEvent.click(check.getByRole("button", { name: "Clear it to fly" }));
    await waitFor(() => expect(sent.map(({ action }) => action)).toEqual(["log-attempt", "check-aircraft"]));
    expect(sent[1].input).toMatchObject({ aircraftId: "plank", props: "fine", tiltDeg: 25 });
    await waitFor(() => expect(screen.queryByText(/Plank crashed/)).toBeNull());
  });

  it("counts the pack down from what was planned, calls the last try and the landing, and stops with the turn", async () => {
    const vibrate = jest.fn();
    Object.assign(navigator, { vibrate });
    jest.useFakeTimers({ now: 0 });
    try {
      renderScreen(<TallyScreen data={planned()} />);
      const clock = () => screen.getByRole("button", { name: /pack \d/i }).getAttribute("aria-label");
      // Eight minutes of blocks in two packs.
      expect(clock()).toBe("Start pack 1, 4 min");
      fireEvent.click(screen.getByRole("button", { name: /^Start pack/ }));
      act(() => void jest.advanceTimersByTime(60_000));
      expect(clock()).toBe("Pack 1, 3:00 left. Tap to end it");
      expect(vibrate).not.toHaveBeenCalled();
      act(() => void jest.advanceTimersByTime(125_000));
      expect(clock()).toBe("Pack 1, 0:55 left, no further try. Tap to end it");
      expect(vibrate).toHaveBeenCalledTimes(1);
      act(() => void jest.advanceTimersByTime(30_000));
      expect(clock()).toBe("Pack 1, 0:25 left, land now. Tap to end it");
      expect(vibrate).toHaveBeenCalledTimes(2);
      act(() => void jest.advanceTimersByTime(35_000));
      expect(clock()).toContain("−0:10 left, land now");
      fireEvent.keyDown(document.body, { key: "n" });
      expect(clock()).toBe("Start pack 2, 4 min");
    } finally {
      jest.useRealTimers();
    }
  });

  it("shows what mends a fault as soon as it is tapped, for the direction it was flown in", async () => {
    renderScreen(<TallyScreen data={data()} />);
    await userEvent.keyboard("r1");
    const fault = builtInSyllabus.stepById.get("flip-slow")!.faults[0];
    expect(screen.getByRole("status", { name: "How to fix it" })).toHaveTextContent(cueFor(fault, "back"));
    await userEvent.keyboard("1");
    expect(screen.queryByRole("status", { name: "How to fix it" })).toBeNull();
  });

  it("calls for the other direction after three in one", async () => {
    renderScreen(<TallyScreen data={data()} />);
    await userEvent.keyboard("cc");
    expect(screen.queryByText(/switch to this side/)).toBeNull();
    await userEvent.keyboard("r");
    expect(screen.getByRole("radio", { name: /Forward.*switch to this side/ })).toBeVisible();
  });

  it("counts nothing while somebody flies as they like, and takes up another step at once", async () => {
    const sent = fakeServer();
    renderScreen(<TallyScreen data={planned()} />);
    await userEvent.click(screen.getByRole("button", { name: /Free 2 min/ }));
    expect(screen.queryByRole("button", { name: /^Clean,/ })).toBeNull();
    await userEvent.keyboard("c");
    await userEvent.click(screen.getByRole("button", { name: "Another step" }));
    await userEvent.click(screen.getByRole("button", { name: "Pure roll" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(screen.getByText(/Earlier attempts will show once synced/)).toBeVisible();
    await userEvent.keyboard("r");
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0].input).toMatchObject({ stepId: "roll-pure", direction: "right" });
  });

  it("shows what another device tapped", async () => {
    const other = { ...planned(), attempts: [attempt("bailed", "back", 1)] };
    fakeServer({ "/field-tallies/session": { status: 200, body: other } });
    renderScreen(<TallyScreen data={planned()} />);
    await userEvent.click(screen.getByRole("button", { name: /Main drill/ }));
    await userEvent.click(screen.getByRole("radio", { name: /Backward/ }));
    expect(await screen.findByRole("button", { name: "Bailed, 1 so far" })).toBeVisible();
  });
});

it("teaches one pilot live: the demonstration counts nothing, and the lesson goes on with the taps", async () => {
  const block = { stepId: "flip-slow", minutes: 4, firstDirection: "backward", reason: null };
  const odo = {
    ...tallyPilot("odo", "Odo Fenn", ["flip-slow"], { setupId: "setup" }),
    blocks: [
      { ...block, kind: "show" as const },
      { ...block, kind: "main" as const },
    ],
  };
  renderScreen(<TallyScreen data={data({ pilots: [odo], session: { ...session, pilots: [session.pilots[0]] } })} />);
  expect(screen.getByText("You fly, Odo Fenn watches.")).toBeVisible();
  expect(screen.queryByRole("button", { name: /^Clean/ })).toBeNull();
  const lesson = screen.getByRole("region", { name: "Lesson" });
  expect(lesson).toHaveTextContent("Fly it while Odo Fenn watches your picture.");
  await userEvent.keyboard("c");
  await userEvent.click(screen.getByRole("button", { name: /^Main drill/ }));
  expect(screen.getByRole("button", { name: "Clean, 0 so far" })).toBeEnabled();
  await userEvent.keyboard("c");
  expect(within(lesson).getAllByText("4 tries: 1 flown, 1 clean.")[0].closest("li")).toHaveAttribute(
    "aria-current",
    "step",
  );
});

describe("a line", () => {
  const line = (id: string, name: string, ...tricks: string[]) => ({ id, version: 3, name, tricks });
  const lines = [
    line("long", "Windmill hang", "flip-one-move-back", "roll-pure-left", "hang-left"),
    line("short", "The first two", "flip-one-move-back", "roll-pure-right"),
  ];
  const show = () => {
    const sent = fakeServer();
    const pilots = [tallyPilot("odo", "Odo Fenn", ["lines"], { setupId: "setup", lines })];
    renderScreen(<TallyScreen data={data({ pilots, session: { ...session, pilots: [session.pilots[0]] } })} />);
    return sent;
  };
  const last = (sent: ReturnType<typeof fakeServer>) => sent.at(-1)?.input;

  it("is tallied by one tap on the trick at which it broke, or through, and counts by its length", async () => {
    const sent = show();
    await userEvent.click(screen.getByRole("button", { name: "Broke at 3: Hang, left, 0 so far" }));
    expect(screen.getByRole("button", { name: "Broke at 3: Hang, left, 1 so far" })).toBeVisible();
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(last(sent)).toMatchObject({
      stepId: "lines",
      direction: "three",
      outcome: "bailed",
      line: { ...lines[0], brokeAt: 2 },
    });
    await userEvent.click(screen.getByRole("button", { name: "Through, 0 so far" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(last(sent)).toMatchObject({ outcome: "clean", line: { id: "long", brokeAt: null } });
    fireEvent.mouseDown(screen.getByRole("combobox", { name: "Line" }));
    await userEvent.click(await screen.findByRole("option", { name: "The first two" }));
    await userEvent.click(screen.getByRole("switch", { name: "Crashed" }));
    await userEvent.click(
      screen.getByRole("button", { name: "Crashed at 1: Flip in one movement, backward, 0 so far" }),
    );
    await waitFor(() => expect(sent).toHaveLength(3));
    expect(last(sent)).toMatchObject({ direction: "two", outcome: "crashed", line: { id: "short", brokeAt: 0 } });
    // A crash is said once.
    expect(screen.getByRole("button", { name: /^Broke at 1/ })).toBeVisible();
  });

  it("that was planned is flown first", () => {
    const [block] = tallyPilot("odo", "Odo Fenn", ["lines"]).blocks;
    const pilots = [tallyPilot("odo", "Odo Fenn", ["lines"], { lines, blocks: [{ ...block, lineId: "short" }] })];
    renderScreen(<TallyScreen data={data({ pilots, session: { ...session, pilots: [session.pilots[0]] } })} />);
    expect(screen.getByRole("combobox", { name: "Line" })).toHaveTextContent("The first two");
  });

  it("that is copied: what was held is ticked at the last try, and after so many the original is looked at again", async () => {
    const sent = fakeServer();
    const parts = ["Gap late", "Dead stop"].map((name, i) => ({ id: `part-${i}`, name }));
    const pilots = [
      tallyPilot("odo", "Odo Fenn", ["lines"], {
        setupId: "setup",
        lines: [{ ...lines[1], parts, lookAfter: 2 }],
      }),
    ];
    renderScreen(<TallyScreen data={data({ pilots, session: { ...session, pilots: [session.pilots[0]] } })} />);
    const chip = (name: string) => screen.getByRole("button", { name: new RegExp(`${name}$`) });
    expect(chip("Gap late")).toBeDisabled();
    await userEvent.click(screen.getByRole("button", { name: "Through, 0 so far" }));
    await userEvent.click(chip("Gap late"));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[0].input).toMatchObject({ line: { parts, brokeAt: null } });
    expect(sent[0].input).not.toHaveProperty("line.lookAfter");
    expect(sent[1]).toMatchObject({ action: "set-held", input: { held: ["part-0"] } });
    expect(screen.queryByRole("status", { name: "Look at the original again" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Through, 1 so far" }));
    await userEvent.click(chip("Gap late"));
    const asked = screen.getByRole("status", { name: "Look at the original again" });
    expect(asked).toHaveTextContent("2 tries: look at the original again. Lost: Dead stop (0 of 2).");
    expect(screen.getAllByText(/^clean, The first two, held 1 of 2$/)).toHaveLength(2);
  });

  it("is asked for at the step of lines only, and only of who was given one", () => {
    renderScreen(<TallyScreen data={data({ pilots: [tallyPilot("odo", "Odo Fenn", ["lines"])] })} />);
    expect(screen.getByRole("button", { name: "Clean, 0 so far" })).toBeVisible();
    expect(screen.queryByRole("combobox", { name: "Line" })).toBeNull();
  });
});
