import { fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import type { PlanData } from "./load";
import { PlanScreen } from "./plan-screen";

const data: PlanData = {
  coaches: true,
  candidates: [
    {
      id: "odo",
      name: "Odo Fenn",
      squadId: "squad",
      squadName: null,
      currentStepId: "flip-one-move",
      simulatorFirst: [],
      setups: [{ id: "v2", name: "Plank · setup 2" }],
      checkFirst: ["Plank"],
    },
    {
      id: "ida",
      name: "Ida Rook",
      squadId: "squad",
      squadName: null,
      currentStepId: "flip-slow",
      simulatorFirst: [],
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
