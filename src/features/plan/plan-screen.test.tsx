import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { airframePresets, firstSettings, STANDARD_DAY } from "@/core";
import { builtInSyllabus, type ReasonedOffer } from "@/syllabus";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import type { Candidate, PlanData } from "./load";
import { PlanScreen } from "./plan-screen";
import { planSession, slotsFit } from "./planning";
import { peakTasks, siteRefusalFor } from "./site-checks";

const { airframe } = airframePresets["five-inch-freestyle"];
const site = {
  id: "pans",
  squadId: "squad",
  name: "Evaporation pans",
  surface: "dry salt",
  roomM: 60,
  ceilingM: null,
  elevationM: null,
  features: "",
  hazards: "",
  rules: "",
  askWhom: "",
  version: 1,
};
const offer = (
  kind: ReasonedOffer["kind"],
  stepId: string | null,
  worth: number[],
  more: Partial<ReasonedOffer> = {},
) => ({
  kind,
  stepId,
  worth,
  isNew: false,
  reason: { kind: "left-for-now" } as const,
  firstDirection: null,
  simulatorFirst: false,
  ...more,
});
const candidates: readonly Candidate[] = [
  {
    id: "odo",
    name: "Odo Fenn",
    squadId: "squad",
    squadName: null,
    currentStepId: "flip-one-move",
    known: ["fp-hover", "stop-course", "flip-one-move"],
    offers: [
      offer("warm-up", "stop-course", [10]),
      offer("main", "flip-one-move", [10, 9, 8, 6], { firstDirection: "front" }),
      offer("review", "fp-hover", [5]),
      offer("free", null, [3]),
    ],
    simulatorFirst: [],
    school: {},
    own: [],
    reactionS: null,
    lines: [],
    setups: [{ id: "v2", name: "Plank · setup 2", setupId: "v2", loadId: null, airframe, settings: firstSettings }],
    checkFirst: ["Plank"],
  },
  {
    id: "ida",
    name: "Ida Rook",
    squadId: "squad",
    squadName: null,
    currentStepId: "flip-slow",
    known: [],
    offers: [offer("main", "flip-slow", [10, 9], { isNew: true })],
    simulatorFirst: [],
    school: {},
    own: [],
    reactionS: null,
    lines: [],
    setups: [],
    checkFirst: [],
  },
];
const data: PlanData = {
  nowMs: 0,
  coaches: true,
  sites: [site],
  plan: null,
  candidates,
  taken: ["odo"],
  ready: candidates,
  recent: [
    {
      session: {
        id: "open",
        squadId: "squad",
        coachId: "coach",
        place: "field",
        startedAtMs: 0,
        begun: true,
        endedAtMs: null,
        pilots: [],
      },
      coachName: "Ann Pell",
      pilotNames: ["Odo Fenn"],
      attempts: 12,
    },
  ],
};

it("takes the pilot at hand, proposes the step that is due, and starts with setup and place", async () => {
  const sent = fakeServer();
  renderScreen(<PlanScreen data={data} />, { address: "/session?pilot=odo" });
  expect(screen.getByRole("checkbox", { name: "Odo Fenn flies" })).toBeChecked();
  expect(screen.getByText(/By eye first, not in goggles: Plank/)).toBeVisible();
  await userEvent.click(screen.getByRole("checkbox", { name: "Ida Rook flies" }));
  fireEvent.mouseDown(screen.getByRole("combobox", { name: "Where" }));
  await userEvent.click(screen.getByRole("option", { name: "simulator" }));
  await userEvent.click(screen.getByRole("button", { name: "Start with 2 pilots" }));
  await waitFor(() => expect(navigation.journeys[0]).toMatch(/^\/session\/[0-9a-f-]{36}$/));
  expect(sent[0]).toMatchObject({
    action: "start-session",
    input: {
      place: "simulator",
      siteId: "pans",
      pilots: [
        {
          pilotId: "odo",
          stepId: "flip-one-move",
          setupId: "v2",
          plan: {
            blocks: [
              { kind: "warm-up", stepId: "stop-course", minutes: 2 },
              { kind: "main", stepId: "flip-one-move", minutes: 8, firstDirection: "front" },
              { kind: "review", stepId: "fp-hover", minutes: 2 },
              { kind: "free", stepId: null, minutes: 2 },
            ],
            turns: [0, 2, 3, 4],
          },
        },
        { pilotId: "ida", stepId: "flip-slow", setupId: null, plan: { turns: [1] } },
      ],
    },
  });
});

it("takes everybody, or who flew last time with what they flew at the same place", async () => {
  const last = { ...data.recent[0].session, place: "by-eye" as const, siteId: null };
  const pilots = [
    { pilotId: "odo", stepId: "hang", setupId: "v2", loadId: null },
    { pilotId: "ida", stepId: "hang", setupId: null, left: true },
  ];
  const recent = [{ ...data.recent[0], session: { ...last, pilots } }];
  renderScreen(<PlanScreen data={{ ...data, taken: ["ida"], recent }} />, { address: "/session?pilot=ida" });
  const flies = () =>
    screen.getAllByRole("checkbox", { name: / flies$/ }).map((one) => (one as HTMLInputElement).checked);
  expect(flies()).toEqual([false, true]);
  await userEvent.click(screen.getByRole("button", { name: "Everyone" }));
  expect(flies()).toEqual([true, true]);
  await userEvent.click(screen.getByRole("button", { name: "As last time" }));
  expect(flies()).toEqual([true, false]);
  expect(screen.getByRole("combobox", { name: "Where" })).toHaveTextContent("by eye");
  // A line each where there is no room for more.
  expect(screen.getByText(/^4 packs, 14 min: /)).toHaveTextContent("Flip in one movement");
});

it("starts nothing while nobody is chosen, and shows sessions still open", () => {
  renderScreen(<PlanScreen data={{ ...data, taken: [] }} />, { address: "/session" });
  expect(screen.getByRole("button", { name: "Choose who flies" })).toBeDisabled();
  expect(screen.getByText(/still open/)).toBeVisible();
});

it("stays where it is when the server refuses", async () => {
  fakeServer({
    "start-session": { status: 503, body: { ok: false, message: "The database is not answering.", fields: {} } },
  });
  renderScreen(<PlanScreen data={data} />, { address: "/session?pilot=odo" });
  await userEvent.click(screen.getByRole("button", { name: "Start with Odo Fenn" }));
  expect(await screen.findByText("The database is not answering.")).toBeVisible();
  expect(navigation.journeys).toEqual([]);
  expect(screen.getByRole("checkbox", { name: "Odo Fenn flies" })).toBeChecked();
});

it("sends an empty squad to its first pilot", () => {
  renderScreen(<PlanScreen data={{ ...data, candidates: [], taken: [], ready: [] }} />);
  expect(screen.getByRole("link", { name: "To the squad" })).toHaveAttribute("href", "/squad");
});

it("refuses a step at a site that has not the room for it, with the number, and lets it go where there is", async () => {
  const yard = { ...site, id: "yard", name: "Store yard", roomM: 12 };
  renderScreen(<PlanScreen data={{ ...data, sites: [site, yard] }} />, { address: "/session?pilot=odo" });
  const choose = async (name: string) => {
    fireEvent.mouseDown(screen.getByRole("combobox", { name: "Site" }));
    await userEvent.click(screen.getByRole("option", { name }));
  };
  const plan = () => screen.getByRole("group", { name: "Plan of Odo Fenn" });
  await choose("Store yard");
  expect(plan()).toHaveTextContent("Flip in one movement needs 30 m of clear ground all round; Store yard has 12 m.");
  expect(within(plan()).queryByRole("combobox", { name: "Step, now Flip in one movement" })).toBeNull();
  expect(screen.getByRole("button", { name: "Start with Odo Fenn" })).toBeEnabled();
  // Chosen by hand all the same: refused.
  await userEvent.click(within(plan()).getByRole("button", { name: "Add a block" }));
  expect(screen.getByRole("alert")).toHaveTextContent("Odo Fenn: Flip in one movement needs 30 m of clear ground");
  expect(screen.getByRole("button", { name: "Start with Odo Fenn" })).toBeDisabled();
  await choose("Evaporation pans");
  expect(screen.queryByRole("alert")).toBeNull();
  expect(screen.getByRole("button", { name: "Start with Odo Fenn" })).toBeEnabled();
});

it("refuses a trick that goes above the local limit, as the model flies it with the pilot's own aircraft", () => {
  const low = { ...site, ceilingM: 8 };
  const [odo] = candidates;
  const flying = [{ one: odo, stepId: "flip-one-move", setupId: "v2", syllabus: builtInSyllabus }];
  const siteRefusals = (...[of, ...at]: [typeof flying, typeof low, Map<string, number | null>]) =>
    of.flatMap((who) => {
      const why = siteRefusalFor(who, ...at);
      return why ? [why] : [];
    });
  const [task] = peakTasks(flying, low, STANDARD_DAY);
  expect(peakTasks(flying, site, STANDARD_DAY)).toEqual([]);
  expect(siteRefusals(flying, low, new Map())).toEqual([]);
  expect(siteRefusals(flying, low, new Map([[task.key, 11.04]]))).toEqual([
    { kind: "goes-too-high", step: "Flip in one movement", site: "Evaporation pans", peakM: 11.04, limitM: 8 },
  ]);
  expect(siteRefusals(flying, { ...low, ceilingM: 12 }, new Map([[task.key, 11.04]]))).toEqual([]);
});

it("begins what was planned: who was to come is taken, and the site is set", () => {
  renderScreen(
    <PlanScreen data={{ ...data, taken: ["ida"], plan: { pilotIds: ["ida"], siteId: "pans", minutes: 60 } }} />,
    {
      address: "/session?pilot=odo",
    },
  );
  expect(screen.getByRole("checkbox", { name: "Ida Rook flies" })).toBeChecked();
  expect(screen.getByRole("checkbox", { name: "Odo Fenn flies" })).not.toBeChecked();
  expect(screen.getByRole("combobox", { name: "Site" })).toHaveTextContent("Evaporation pans");
});

describe("the plan", () => {
  const plan = (name = "Odo Fenn") => screen.getByRole("group", { name: `Plan of ${name}` });
  const steps = (name?: string) =>
    within(plan(name))
      .getAllByRole("combobox", { name: /^Step, now/ })
      .map((field) => field.textContent);
  const turns = () =>
    within(screen.getByRole("region", { name: "Order of turns" }))
      .getAllByRole("listitem")
      .map((line) => line.textContent);
  const type = async (label: string, text: string) => {
    await userEvent.clear(screen.getByRole("textbox", { name: label }));
    if (text) await userEvent.type(screen.getByRole("textbox", { name: label }), text);
  };
  beforeEach(() => {
    localStorage.clear();
    renderScreen(<PlanScreen data={data} />, { address: "/session?pilot=odo" });
  });

  it("shows the reason of every block, and what does not fit into the time", async () => {
    expect(steps()).toEqual(["Stop course", "Flip in one movement", "Hover through the camera", "Free flying"]);
    expect(plan()).toHaveTextContent("The step left for now: one look at it.");
    await type("Minutes", "12");
    expect(steps()).toEqual(["Stop course", "Flip in one movement"]);
    expect(plan()).toHaveTextContent(
      "Hover through the camera does not fit in the time. No time left for free flying.",
    );
    expect(turns()).toEqual(["0 minOdo Fenn", "7 minOdo Fenn"]);
    await type("Daylight left, min", "5");
    expect(turns()).toEqual(["0 minOdo Fenn"]);
  });

  it("is changed by hand and by keys, undone, and planned afresh", async () => {
    await userEvent.click(within(plan()).getByRole("button", { name: "Remove Hover through the camera" }));
    expect(steps()).toEqual(["Stop course", "Flip in one movement", "Free flying"]);
    await type("Minutes", "12");
    expect(steps()).toHaveLength(3);
    expect(screen.getByRole("alert")).toHaveTextContent("turns one after the other; there is time for 2.");
    await userEvent.keyboard("{Escape}");
    await userEvent.click(document.body);
    await userEvent.keyboard("u");
    expect(steps()).toEqual(["Stop course", "Flip in one movement"]);
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("holds the limit of new steps, in what it plans and in what is chosen by hand", async () => {
    await userEvent.click(screen.getByRole("checkbox", { name: "Ida Rook flies" }));
    expect(steps("Ida Rook")).toEqual(["Slow flip"]);
    await type("New steps per pilot", "0");
    expect(within(plan("Ida Rook")).queryByRole("combobox", { name: /^Step, now/ })).toBeNull();
    expect(plan("Ida Rook")).toHaveTextContent("Slow flip waits: no new steps a session is the limit.");
    await userEvent.click(within(plan("Ida Rook")).getByRole("button", { name: "Add a block" }));
    expect(screen.getByRole("alert")).toHaveTextContent("Ida Rook: 1 new step (Slow flip); the limit is 0.");
    expect(screen.getByRole("button", { name: "Start with 2 pilots" })).toBeDisabled();
  });

  it("begins nothing new in a strong wind, and nothing at all in one that the aircraft cannot come home against", async () => {
    await userEvent.click(screen.getByRole("checkbox", { name: "Ida Rook flies" }));
    await type("Wind, m/s", "7");
    expect(plan("Ida Rook")).toHaveTextContent(
      "Too windy for slow flip: it is new, and nothing new starts in more than 6 m/s of wind. Now 7 m/s.",
    );
    expect(steps()).toHaveLength(4);
    await type("Wind, m/s", "20");
    expect(plan()).toHaveTextContent(
      /Too windy for flip in one movement: 20 m\/s is over a third of .*top speed of [\d.]+ m\/s/,
    );
    await type("Wind, m/s", "99");
    expect(screen.getByText("0 to 40")).toBeVisible();
    expect(screen.getByRole("button", { name: "Start with 2 pilots" })).toBeDisabled();
  });

  it("lets go of an order made by hand once other pilots fly", async () => {
    await userEvent.click(screen.getByRole("checkbox", { name: "Ida Rook flies" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Odo Fenn flies" }));
    expect(turns()).toEqual(["0 minIda Rook"]);
    const [ida] = candidates.slice(1);
    const fliers = [{ one: ida, packs: 4, setupId: "", syllabus: builtInSyllabus }];
    const frame = { minutes: 60, packMin: 4, changeMin: 3, spots: 1, observers: 1, newSteps: 1, windMps: 0 };
    const { blocks } = planSession(fliers, frame, () => null);
    const fits = (slots: string[][]) => slotsFit(slots, fliers, blocks, frame);
    expect([[["ida"]], [["odo"]], [["ida"], ["odo"]], []].map(fits)).toEqual([true, false, false, false]);
  });

  it("is prepared for later", async () => {
    const sent = fakeServer();
    await userEvent.click(screen.getByRole("button", { name: "Save plan for the field" }));
    await waitFor(() => expect(sent[0]).toMatchObject({ action: "start-session", input: { prepared: true } }));
  });
});

it("asks what a pilot could fly when they are taken, and again after a dead network", async () => {
  const [odo, ida] = candidates;
  const sent = fakeServer({ "/plan-candidates/ida": { status: 200, body: [ida] } });
  const { fetch } = globalThis;
  let reached = false;
  globalThis.fetch = jest.fn((address: string, init?: RequestInit) =>
    reached || init ? fetch(address, init) : Promise.reject(new TypeError("no network")),
  ) as typeof globalThis.fetch;
  renderScreen(<PlanScreen data={{ ...data, ready: [odo] }} />, { address: "/session?pilot=odo" });
  await userEvent.click(screen.getByRole("combobox", { name: "Where" }));
  await userEvent.click(await screen.findByRole("option", { name: "simulator" }));
  await userEvent.click(screen.getByRole("checkbox", { name: "Ida Rook flies" }));
  expect(await screen.findByRole("alert")).toHaveTextContent(
    "What Ida Rook could fly is not known here. No connection.",
  );
  expect(screen.getByRole("button", { name: "Start with 2 pilots" })).toBeDisabled();
  reached = true;
  await userEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(await screen.findByRole("group", { name: "Plan of Ida Rook" })).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Start with 2 pilots" }));
  await waitFor(() => expect(sent[0].input).toMatchObject({ pilots: [{ pilotId: "odo" }, { stepId: "flip-slow" }] }));
});

it("asks of all who are taken at once in one question", async () => {
  fakeServer({ "/plan-candidates/odo,ida": { status: 200, body: candidates } });
  renderScreen(<PlanScreen data={{ ...data, taken: [], ready: [] }} />, { address: "/session" });
  await userEvent.click(screen.getByRole("button", { name: "Everyone" }));
  expect(await screen.findByRole("group", { name: "Plan of Ida Rook" })).toBeVisible();
  expect(screen.getByRole("group", { name: "Plan of Odo Fenn" })).toBeVisible();
});

it("plans one of the lines that the pilot has been given, or says that there are none", async () => {
  const [odo, ida] = candidates;
  const sent = fakeServer();
  const at = (one: typeof odo, lines: typeof odo.lines) => ({
    ...one,
    lines,
    currentStepId: "lines",
    offers: [offer("main", "lines", [10])],
  });
  const ready = [
    at(odo, [
      { id: "hang", name: "Windmill hang" },
      { id: "two", name: "The first two" },
    ]),
    at(ida, []),
  ];
  renderScreen(<PlanScreen data={{ ...data, ready }} />, { address: "/session?pilot=odo" });
  fireEvent.mouseDown(await screen.findByRole("combobox", { name: /^Line of/ }));
  await userEvent.click(await screen.findByRole("option", { name: "The first two" }));
  await userEvent.click(screen.getByRole("checkbox", { name: "Ida Rook flies" }));
  expect(await screen.findByText(/^No line is given to Ida Rook yet/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Save plan for the field" }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0].input).toMatchObject({ pilots: [{ plan: { blocks: [{ stepId: "lines", lineId: "two" }] } }, {}] });
});
