import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { SignOffRequest } from "@/contract";
import { odo, standingWith } from "@/ui/testing/made-up";
import { fakeServer, navigation, people, renderScreen } from "@/ui/testing/render-screen";
import type { PilotData } from "./load";
import { PilotScreen } from "./pilot-screen";
import { shownStanding } from "./sounded";

const request = (change: Partial<SignOffRequest> = {}): SignOffRequest => ({
  id: "r",
  pilotId: "odo",
  stepId: "flip-slow",
  message: "both ways sit",
  askedAtMs: 0,
  answeredAtMs: null,
  answer: null,
  ...change,
});
const tried = [
  {
    stepId: "flip-slow",
    direction: "back",
    outcome: "clean",
    place: "field",
    setupId: null,
    atMs: 0,
  },
] as const;
const { standing, lookedAt } = standingWith(tried);
const data = (change: Partial<PilotData> = {}): PilotData => ({
  pilot: odo,
  ...shownStanding(standing, false),
  lookedAt,
  school: {},
  squadSchool: {},
  milestones: [],
  notes: [{ id: "n", pilotId: "odo", coachName: "Ann Pell", text: "Calm hands", writtenAtMs: 0, forCoaches: false }],
  requests: [],
  loggedAlone: {},
  homework: [],
  squads: [],
  coaches: false,
  history: [],
  historyShown: "newest",
  nowMs: 0,
  ...change,
});
const show = (change: Partial<PilotData> = {}) =>
  renderScreen(<PilotScreen data={data(change)} />, {
    address: "/pilot",
    shell: { ...people, coaches: change.coaches ?? false },
  });

describe("a pilot looks at their own record", () => {
  it("reads it all, takes it along, and is offered nothing that only a coach may", () => {
    show();
    expect(screen.getByText("Calm hands")).toBeVisible();
    expect(screen.getByRole("link", { name: "Download my record" })).toHaveAttribute(
      "href",
      "/records/odo/record.json",
    );
    for (const name of [/^Sign off/, "Change", "Remove", "Save note", "Delete"])
      expect(screen.queryByRole("button", { name })).toBeNull();
  });

  it("asks for a sign-off once", async () => {
    const sent = fakeServer();
    const first = show();
    await userEvent.click(screen.getByRole("button", { name: "Request sign-off" }));
    await userEvent.type(screen.getByLabelText("To your coach (optional)"), "both ways sit");
    await userEvent.click(screen.getByRole("button", { name: "Ask" }));
    await waitFor(() => expect(navigation.journeys).toContain("refresh"));
    expect(sent[0]).toMatchObject({
      action: "ask-sign-off",
      input: { pilotId: "odo", stepId: "flip-slow", message: "both ways sit" },
    });
    first.unmount();
    show({ requests: [request()] });
    expect(screen.getByText("■ Sign-off requested: your coach can see it")).toBeVisible();
    expect(screen.queryByRole("button", { name: "Request sign-off" })).toBeNull();
  });

  it("reads what is still wanted, and may ask again", () => {
    show({ requests: [request({ answeredAtMs: 1, answer: "ease it" })] });
    expect(screen.getByText("Not yet: ease it")).toBeVisible();
    expect(screen.getByRole("button", { name: "Request sign-off" })).toBeVisible();
  });
});

describe("the coach", () => {
  it("sees who asks for what and answers with what is still wanted", async () => {
    const sent = fakeServer();
    show({ coaches: true, requests: [request()] });
    const asked = within(screen.getByRole("region", { name: "Sign-off requests" }));
    expect(asked.getByText("both ways sit")).toBeVisible();
    await userEvent.click(asked.getByRole("button", { name: "Not yet" }));
    await userEvent.type(screen.getByLabelText("To Odo Fenn"), "ease it");
    await userEvent.click(screen.getByRole("button", { name: "Answer" }));
    await waitFor(() => expect(sent).toEqual([{ action: "answer-request", input: { id: "r", answer: "ease it" } }]));
  });

  it("is told how many attempts the pilot logged alone before signing off", async () => {
    show({ coaches: true, loggedAlone: { "flip-slow": 3 } });
    await userEvent.click(screen.getByRole("button", { name: "Sign off slow flip" }));
    expect(await screen.findByText(/were logged by Odo Fenn, practising alone/)).toHaveTextContent(
      /^3 of the 1 attempts/,
    );
  });

  it("puts the whole record into the bin, and back from the message", async () => {
    const sent = fakeServer();
    show({ coaches: true });
    await userEvent.click(screen.getByRole("button", { name: "Delete" }));
    await waitFor(() => expect(navigation.journeys).toContain("/squad"));
    await userEvent.click(screen.getByRole("button", { name: "Undo" }));
    expect(sent.map(({ action }) => action)).toEqual(["remove-pilot", "restore-pilot"]);
  });
});
