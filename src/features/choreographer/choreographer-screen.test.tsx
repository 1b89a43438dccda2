import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { recipes, withPhase } from "@/core";
import type { SquadVariant } from "@/contract";
import type { VariantDocument } from "@/syllabus";
import { useFlown } from "@/ui/flight/use-flown";
import { onTheSpot } from "@/ui/testing/made-up";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import { ChoreographerScreen } from "./choreographer-screen";
import type { ChoreographerData } from "./load";
import { choreographerData } from "./testing/made-up-choreographer";

jest.mock("@/ui/flight/use-flown");
const built = recipes["flip-slow-back"];
const own: SquadVariant = {
  id: "own",
  squadId: "squad",
  name: "Long punch",
  trick: "flip-slow",
  instead: "usual",
  direction: "back",
  bothWays: true,
  recipe: withPhase(built, 0, (phase) => ({ ...phase, label: "Hop" })),
  pilotIds: ["odo"],
  version: 3,
};

function show(change: Partial<ChoreographerData> = {}): void {
  jest.mocked(useFlown).mockImplementation(onTheSpot());
  renderScreen(<ChoreographerScreen data={choreographerData(change)} />, { address: "/lab/choreographer?pilot=odo" });
}
const choose = async (label: string, option: string) => {
  fireEvent.mouseDown(screen.getByLabelText(label));
  await userEvent.click(await screen.findByRole("option", { name: option }));
};
const end = (phase: number) => screen.getByRole("slider", { name: new RegExp(`^End of phase ${phase},`) });
const press = (handle: Element, key: string, times = 1) => {
  fireEvent.focus(handle);
  for (let i = 0; i < times; i++) fireEvent.keyDown(handle, { key });
};

beforeEach(() => localStorage.clear());

it("says what to do first where there is no aircraft or no setup", () => {
  show({ aircraft: null, setup: null });
  expect(screen.getByRole("link", { name: "Add an aircraft" })).toBeVisible();
});

it("shows what every stick does in every phase, by the pilot's stick mode, and what hangs on a phase", async () => {
  show();
  expect(screen.getAllByRole("button", { name: /^Phase \d/ })).toHaveLength(built.phases.length);
  expect(screen.getByRole("slider", { name: /^Throttle of phase 1, Punch, level: held for a thrust/ })).toHaveAttribute(
    "aria-valuenow",
    expect.stringMatching(/^[3-9]\d$/),
  );
  expect(screen.getByRole("slider", { name: /^Pitch of phase 3, .*held for a rate/ })).toHaveAttribute(
    "aria-valuetext",
    expect.stringMatching(/% back$/),
  );
  expect(screen.getAllByText("left hand").length).toBeGreaterThan(0);
  await userEvent.click(screen.getByRole("button", { name: /^Phase 4/ }));
  expect(screen.getByText(/^It stays: the stop is measured from it/)).toBeVisible();
  expect(screen.getByRole("button", { name: "Remove it" })).toBeDisabled();
});

it("moves an end by the keys, takes its figure into the hand, and works it out again when asked", async () => {
  show();
  const before = Number(end(1).getAttribute("aria-valuenow"));
  expect(screen.getByLabelText("◆ Punch, s, typed")).toBeInTheDocument();
  press(end(1), "ArrowRight", 10);
  expect(Number(end(1).getAttribute("aria-valuenow"))).toBeCloseTo(before + 0.1, 2);
  expect(screen.getByLabelText("Punch, s, typed")).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Work it out again" }));
  expect(Number(end(1).getAttribute("aria-valuenow"))).toBeCloseTo(before, 2);
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  // The ten presses of one grip are one step.
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  expect(screen.getByLabelText("◆ Punch, s, typed")).toBeInTheDocument();
  expect(screen.getByRole("button", { name: "Undo" })).toBeDisabled();
});

it("adds up keys that come faster than it is flown", () => {
  const fly = onTheSpot();
  show();
  const first = fly(jest.mocked(useFlown).mock.calls[0][0]);
  // From here on the model is behind.
  jest.mocked(useFlown).mockReturnValue({ ...first, pending: true });
  const knob = () => screen.getByRole("slider", { name: /^Pitch of phase 3/ });
  const before = Number(knob().getAttribute("aria-valuenow"));
  press(knob(), "ArrowUp", 4);
  expect(Number(knob().getAttribute("aria-valuenow"))).toBeCloseTo(before + 8, 0);
  expect(screen.getByRole("button", { name: /^Split it/ })).toBeDisabled();
});

it("tells at its phase what never ends, and what is asked beyond the curve", async () => {
  show();
  await choose("End 1", "height above the entry");
  fireEvent.change(screen.getByLabelText("Distance, m"), { target: { value: "90" } });
  const alert = screen.getByRole("alert");
  expect(alert).toHaveTextContent(/1 Punch, level.*it waits for 90.0.m above the entry and comes to \d+/);
  expect(alert).toHaveTextContent(/Given up after 3.0.s/);
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  await userEvent.click(screen.getByRole("button", { name: /^Phase 3/ }));
  await userEvent.click(screen.getByRole("button", { name: "Rate: a number of its own" }));
  fireEvent.change(screen.getByLabelText("Rate, °/s"), { target: { value: "1500" } });
  expect(screen.getByRole("alert")).toHaveTextContent(/asks for 1500.°\/s about pitch; full stick of this setup gives/);
});

it("does not take a number that cannot be, and says what can", () => {
  show();
  fireEvent.change(screen.getByLabelText("Time limit, s"), { target: { value: "300" } });
  expect(screen.getByText("0.1 to 30")).toBeVisible();
  expect(screen.getByRole("button", { name: "Undo" })).toBeDisabled();
});

it("is kept under a name for the pilots chosen, once, with all that was changed", async () => {
  const sent = fakeServer();
  show();
  fireEvent.change(screen.getByLabelText("What the pilot does in phase 1"), { target: { value: "Hop" } });
  expect(screen.getByRole("button", { name: "Save" })).toBeDisabled();
  await userEvent.type(screen.getByLabelText("Name"), "Long punch");
  await userEvent.click(screen.getByRole("checkbox", { name: "Ida Rook" }));
  await userEvent.click(screen.getByRole("checkbox", { name: /Also flown forward/ }));
  await userEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() => expect(sent).toHaveLength(1));
  const { id, document } = sent[0].input as { id: string; document: VariantDocument };
  expect(sent[0]).toMatchObject({ action: "add-variant", input: { squadId: "squad", pilotIds: ["ida"] } });
  expect(document).toMatchObject({ name: "Long punch", trick: "flip-slow", direction: "back", bothWays: false });
  expect(document.recipe.phases[0].label).toBe("Hop");
  await waitFor(() => expect(navigation.journeys[0]).toContain(`own=${id}`));
  expect(localStorage).toHaveLength(0);
});

it("is changed on the version that was read; a draft that was overtaken can be kept under another name only", async () => {
  const sent = fakeServer();
  localStorage.setItem(
    "bathygon-choreography-own",
    JSON.stringify({ basedOn: 2, document: { direction: "back", recipe: built } }),
  );
  show({ openId: "own", own: [own] });
  expect(screen.getByText(/kept on this device from before/)).toBeVisible();
  expect(screen.getByText(/It was saved meanwhile/)).toBeVisible();
  expect(screen.getByRole("button", { name: "Save changes" })).toBeDisabled();
  await userEvent.click(screen.getByRole("button", { name: "Drop it" }));
  expect(screen.getByLabelText("What the pilot does in phase 1")).toHaveValue("Hop");
  await userEvent.click(screen.getByRole("checkbox", { name: "Ida Rook" }));
  await userEvent.click(screen.getByRole("button", { name: "Save changes" }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]).toMatchObject({
    action: "edit-variant",
    input: { id: "own", version: 3, pilotIds: ["odo", "ida"] },
  });
  const keep = within(screen.getByRole("region", { name: /^Your way/ }));
  await userEvent.type(keep.getByLabelText("Name"), " two");
  expect(keep.getByRole("button", { name: "Save as new" })).toBeEnabled();
});

it.each([
  "not JSON",
  '{"basedOn":1,"document":{"direction":"back","recipe":{"phases":[{"id":"a"}],"parameters":{}}}}',
  '{"basedOn":1}',
  '{"basedOn":1,"document":{"direction":"back","recipe":{"phases":[]}}}',
])("begins afresh where what the device kept is no draft: %s", (kept) => {
  localStorage.setItem("bathygon-choreography-flip-slow-usual-back", kept);
  show();
  expect(screen.getByLabelText("What the pilot does in phase 1")).toHaveValue("Punch, level");
  expect(screen.queryByText(/kept on this device/)).toBeNull();
});
