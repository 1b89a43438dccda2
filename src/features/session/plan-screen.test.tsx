import { fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { airframePresets, firstSettings } from "@/core";
import { builtInSyllabus } from "@/syllabus";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import type { PlanData } from "./load";
import { PlanScreen } from "./plan-screen";
import { peakTasks, siteRefusals } from "./site-checks";

const { airframe } = airframePresets["five-inch-freestyle"];
const site = {
  id: "pans",
  squadId: "squad",
  name: "Evaporation pans",
  surface: "dry salt",
  roomM: 60,
  ceilingM: null,
  features: "",
  hazards: "",
  rules: "",
  askWhom: "",
  version: 1,
};
const data: PlanData = {
  coaches: true,
  sites: [site],
  plan: null,
  candidates: [
    {
      id: "odo",
      name: "Odo Fenn",
      squadId: "squad",
      squadName: null,
      currentStepId: "flip-one-move",
      simulatorFirst: [],
      school: {},
      setups: [{ id: "v2", name: "Plank · setup 2", airframe, settings: firstSettings }],
      checkFirst: ["Plank"],
    },
    {
      id: "ida",
      name: "Ida Rook",
      squadId: "squad",
      squadName: null,
      currentStepId: "flip-slow",
      simulatorFirst: [],
      school: {},
      setups: [],
      checkFirst: [],
    },
  ],
  recent: [
    {
      session: {
        id: "open",
        squadId: "squad",
        coachId: "coach",
        place: "field",
        startedAtMs: 0,
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
        { pilotId: "odo", stepId: "flip-one-move", setupId: "v2" },
        { pilotId: "ida", stepId: "flip-slow", setupId: null },
      ],
    },
  });
});

it("starts nothing while nobody is chosen, and shows sessions still open", () => {
  renderScreen(<PlanScreen data={data} />, { address: "/session" });
  expect(screen.getByRole("button", { name: "Choose who flies" })).toBeDisabled();
  expect(screen.getByText(/still open/)).toBeVisible();
});

it("stays where it is when the server refuses", async () => {
  fakeServer({
    "start-session": { status: 503, body: { ok: false, message: "The database does not answer.", fields: {} } },
  });
  renderScreen(<PlanScreen data={data} />, { address: "/session?pilot=odo" });
  await userEvent.click(screen.getByRole("button", { name: "Start with Odo Fenn" }));
  expect(await screen.findByText("The database does not answer.")).toBeVisible();
  expect(navigation.journeys).toEqual([]);
  expect(screen.getByRole("checkbox", { name: "Odo Fenn flies" })).toBeChecked();
});

it("sends an empty squad to its first pilot", () => {
  renderScreen(<PlanScreen data={{ ...data, candidates: [] }} />);
  expect(screen.getByRole("link", { name: "To the squad" })).toHaveAttribute("href", "/squad");
});

it("refuses a step at a site that has not the room for it, with the number, and lets it go where there is", async () => {
  const yard = { ...site, id: "yard", name: "Store yard", roomM: 12 };
  renderScreen(<PlanScreen data={{ ...data, sites: [site, yard] }} />, { address: "/session?pilot=odo" });
  const choose = async (name: string) => {
    fireEvent.mouseDown(screen.getByRole("combobox", { name: "Site" }));
    await userEvent.click(screen.getByRole("option", { name }));
  };
  await choose("Store yard");
  expect(screen.getByRole("alert")).toHaveTextContent(
    "Odo Fenn: Flip in one movement wants 30 m of clear ground all round; Store yard has 12 m.",
  );
  expect(screen.getByRole("button", { name: "Start with Odo Fenn" })).toBeDisabled();
  await choose("Evaporation pans");
  expect(screen.queryByRole("alert")).toBeNull();
  expect(screen.getByRole("button", { name: "Start with Odo Fenn" })).toBeEnabled();
});

it("refuses a trick that goes above the local limit, as the model flies it with the pilot's own aircraft", () => {
  const low = { ...site, ceilingM: 8 };
  const [odo] = data.candidates;
  const flying = [{ one: odo, stepId: "flip-one-move", setupId: "v2", syllabus: builtInSyllabus }];
  const [task] = peakTasks(flying, low);
  expect(peakTasks(flying, site)).toEqual([]);
  expect(siteRefusals(flying, low, new Map())).toEqual([]);
  expect(siteRefusals(flying, low, new Map([[task.key, 11.04]]))).toEqual([
    "Odo Fenn: Flip in one movement goes up to 11 m with this aircraft; the limit at Evaporation pans is 8 m.",
  ]);
  expect(siteRefusals(flying, { ...low, ceilingM: 12 }, new Map([[task.key, 11.04]]))).toEqual([]);
});

it("begins what was planned: who was to come is taken, and the site is set", () => {
  renderScreen(<PlanScreen data={{ ...data, plan: { pilotIds: ["ida"], siteId: "pans" } }} />, {
    address: "/session?pilot=odo",
  });
  expect(screen.getByRole("checkbox", { name: "Ida Rook flies" })).toBeChecked();
  expect(screen.getByRole("checkbox", { name: "Odo Fenn flies" })).not.toBeChecked();
  expect(screen.getByRole("combobox", { name: "Site" })).toHaveTextContent("Evaporation pans");
});
