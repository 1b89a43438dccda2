import { fireEvent, screen, within, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { airframePresets, EMPTY_PLAN, firstSettings, recipes, type PlanFeature } from "@/core";
import { directionWords, findTrick, recipeOf, standardDay } from "@/syllabus";
import { odo, onTheSpot, plank, plankSetup } from "@/ui/testing/made-up";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import { LabScreen } from "./lab-screen";
import type { LabData } from "./load";
import { useFlown } from "@/ui/flight/use-flown";

jest.mock("@/ui/flight/use-flown");
jest.mock("@/ui/layout/when-seen", () => ({ WhenSeen: ({ children }: { children: React.ReactNode }) => children }));
jest.mock("@/ui/flight/scene", () => ({ __esModule: true, default: () => null }));

const five = airframePresets["five-inch-freestyle"].airframe;
const tilted = (tiltDeg: number) => ({ ...firstSettings, tiltDeg });
/** The lab with its worker's work done on the spot. */
function show(trickId: string, change: Partial<LabData> = {}, airframe = five): void {
  jest.mocked(useFlown).mockImplementation(onTheSpot());
  const setups = [plankSetup(2, tilted(25)), plankSetup(1, tilted(35))];
  renderScreen(
    <LabScreen
      data={{
        pilot: odo,
        aircraft: plank(airframe),
        setup: setups[0],
        setups,
        trickId,
        own: [],
        manner: { school: {}, own: [] },
        measured: {},
        day: standardDay,
        sites: [],
        variantId: findTrick(trickId)!.variants[0].id,
        direction: null,
        ...change,
      }}
    />,
    { address: "/lab?pilot=odo" },
  );
}
const choose = async (label: string, option: string | RegExp) => {
  fireEvent.mouseDown(screen.getByLabelText(label));
  await userEvent.click(await screen.findByRole("option", { name: option }));
  // The list has gone before the next one is opened.
  await waitFor(() => expect(screen.queryByRole("listbox", { hidden: true })).toBeNull());
};
const figure = (name: RegExp) => screen.getByRole("button", { name }).getAttribute("aria-label");

it("flies the trick for this aircraft and says what it measures, with its way out", () => {
  show("roll-level");
  expect(screen.getByRole("img", { name: /^Path from the side: highest point/ })).toBeInTheDocument();
  expect(screen.getByRole("img", { name: /^Path from above/ })).toBeInTheDocument();
  expect(figure(/^View wanders by/)).toMatch(/ 1?\d °/);
  expect(screen.getByText(/^Freeze and you can still save it up to/)).toBeInTheDocument();
});

it("flies the trick with the figures of the step it was opened at, and judges it by them", () => {
  show("spin-inverted", { set: { spinDeg: 90 } });
  expect(screen.getByRole("slider", { name: /^Spin by/ })).toHaveValue("90");
  expect(screen.getByText(/Clean: to its end, upright, turned by 90° to within 20°/)).toBeInTheDocument();
});

it("flies as the pilot's school has it, which is what the brief flies", () => {
  const manner = { school: { stop: "ease-quarter" }, own: [] };
  show("roll-pure", { manner });
  const [direction] = Object.keys(findTrick("roll-pure")!.variants[0].recipes);
  const briefed = recipeOf({ flownAs: { trick: "roll-pure" } }, direction, manner);
  expect(jest.mocked(useFlown).mock.calls.map(([asked]) => asked?.recipe)).toContainEqual(briefed);
  expect(briefed).not.toEqual(recipes[briefed!.id]);
});

it("takes a moved parameter into the hand, and works it out again when asked", async () => {
  show("hang");
  expect(screen.getByText("◆ solved for this aircraft")).toBeInTheDocument();
  const before = figure(/^Highest point/);
  fireEvent.change(screen.getByLabelText(/^◆ Punch, s, typed/), { target: { value: "1.5" } });
  expect(screen.getByText("Set by hand.")).toBeInTheDocument();
  await waitFor(() => expect(figure(/^Highest point/)).not.toBe(before));
  await userEvent.click(screen.getByRole("button", { name: "Solve for me" }));
  await waitFor(() => expect(figure(/^Highest point/)).toBe(before));
});

it("works the rest out again when a figure that is not worked out moves, and holds the one kept against it", async () => {
  show("flip-ease-quarter");
  await userEvent.click(screen.getByRole("button", { name: "Pin this run" }));
  fireEvent.change(screen.getByLabelText("Stick left at the end, typed"), { target: { value: "0.6" } });
  // Still worked out, so that the stop stays on the mark.
  expect(screen.getByLabelText(/^◆ Centre the stick at, °, typed/)).toBeInTheDocument();
  expect(figure(/^Stop error/)).toMatch(/ −?0\.\d °/);
  expect(screen.getByText(/stick left at the end 0\.6 → 0\.35/)).toBeInTheDocument();
  expect(screen.getByRole("button", { name: "Run both, 200 flights each" })).toBeInTheDocument();
  fireEvent.blur(screen.getByLabelText("Stick left at the end, typed"));
  await userEvent.click(screen.getByRole("button", { name: "As it was" }));
  expect(screen.getByLabelText("Stick left at the end, typed")).toHaveValue("0.35");
});

it("says in red when the highest point breaks the local ceiling, and refuses a ceiling below the start", async () => {
  show("hang");
  await choose("Local ceiling", /^15.m$/);
  expect(
    screen.getByText(/Its highest point, 1\d\.\d\sm, breaks the local ceiling of 15\.0\sm by/),
  ).toBeInTheDocument();
  await choose("Local ceiling", /^10.m$/);
  expect(screen.getByRole("alert")).toHaveTextContent(/the flight begins at .* already above the local ceiling/);
});

it("flies another setup beside it and says what that changes", async () => {
  show("loop-open");
  await choose("Dashed line", "setup 1");
  expect(screen.getByText("The dashed one: tilt 25° → 35°")).toBeInTheDocument();
  expect(screen.getByText(/sees the exit .* (sooner|later)/)).toBeInTheDocument();
});

it("flies the settings as a draft beside the saved ones, gives them back, and is the draft of Setup too", async () => {
  show("loop-open");
  expect(screen.getByText(/^Setup 2\. Move any control/)).toBeInTheDocument();
  fireEvent.change(screen.getByLabelText("Tilt, °, typed"), { target: { value: "35" } });
  expect(screen.getByText(/Flown as the draft; setup 2 is dashed/)).toBeInTheDocument();
  expect(screen.getByText("The dashed one: tilt 35° → 25°")).toBeInTheDocument();
  expect(screen.getByText("tilt 25° → 35°")).toBeInTheDocument();
  const kept = JSON.parse(localStorage.getItem("bathygon-setup-draft-plank")!) as { document: { settings: unknown } };
  expect(kept.document.settings).toEqual(tilted(35));
  fireEvent.blur(screen.getByLabelText("Tilt, °, typed"));
  await userEvent.click(screen.getByRole("button", { name: "Back to setup 2" }));
  expect(screen.getByLabelText("Tilt, °, typed")).toHaveValue("25");
  expect(screen.queryByText(/The dashed one/)).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: /^Throttle\s*mid/ }));
  await userEvent.click(screen.getByRole("button", { name: /^Rates\s*base/ }));
  expect(screen.getByLabelText("Mid, typed")).toBeInTheDocument();
  expect(screen.getByLabelText("pitch expo, typed")).toBeInTheDocument();
});

it("saves a draft as the next setup, with the reason", async () => {
  const sent = fakeServer();
  show("loop-open");
  fireEvent.change(screen.getByLabelText("Tilt, °, typed"), { target: { value: "35" } });
  await userEvent.type(screen.getByLabelText("Why it changes"), "sees the exit");
  await userEvent.click(screen.getByRole("button", { name: "Save as setup 3" }));
  expect(sent).toEqual([
    {
      action: "save-setup",
      input: expect.objectContaining({ basedOn: 2, reason: "sees the exit", settings: tilted(35) }),
    },
  ]);
});

it("keeps the direction it is entered with, and the start height in sight whatever is set by hand", async () => {
  const { recipes: byDirection } = findTrick("flip-one-move")!.variants[0];
  const [, second] = Object.keys(byDirection);
  show("flip-one-move", { direction: second });
  expect(screen.getByRole("button", { name: directionWords[second] })).toHaveAttribute("aria-pressed", "true");
  const line = () => screen.getByText("Minimum start height").parentElement!;
  expect(line()).toHaveTextContent(/being worked out/);
  fireEvent.change(screen.getByLabelText(/^◆ Begin at, m, typed/), { target: { value: "30" } });
  expect(screen.getByText(/^Flown here from/)).toHaveTextContent(/30\.0/);
  // Set by hand, so no longer worked out.
  expect(screen.getByLabelText("Begin at, m, typed")).toBeInTheDocument();
});

it("says what stands in the way: a wall in the path, and too little thrust", async () => {
  show("roll-pure");
  await choose("Something in the way", "wall");
  fireEvent.change(screen.getByLabelText("High, m, typed"), { target: { value: "40" } });
  expect(screen.getByText(/it flies into the wall after/)).toBeInTheDocument();
});

it("stands at a site of the squad: its wall is met in its direction, and passed in another; its limit counts", async () => {
  const wall: PlanFeature = {
    ...{ id: "wall", kind: "wall", name: "north wall", heightM: 40, widthM: null, ground: null, fetchable: true },
    points: [
      { eastM: -30, northM: 12 },
      { eastM: 30, northM: 12 },
    ],
  };
  const stand: PlanFeature = { ...wall, id: "stand", kind: "stand", name: "", points: [{ eastM: 0, northM: 0 }] };
  const site = { id: "yard", name: "Store yard", ceilingM: 60, elevationM: null };
  show("roll-pure", { sites: [{ ...site, plan: { ...EMPTY_PLAN, features: [wall, stand] } }] });
  await choose("Flown at", "Store yard");
  expect(screen.getByText(/it flies into the wall after/)).toBeInTheDocument();
  fireEvent.change(screen.getByLabelText("Toward the north, °, typed"), { target: { value: "180" } });
  expect(screen.queryByText(/it flies into the wall/)).toBeNull();
});

it("says plainly what the aircraft cannot do, with no empty drawing", () => {
  show("orbit-back", {}, airframePresets["indoor-65"].airframe);
  expect(screen.getByRole("alert")).toHaveTextContent(
    /this turn needs \d\.\d g of thrust; the aircraft has \d\.\d g there and 3\.4 g standing still/,
  );
  expect(screen.queryByRole("img")).toBeNull();
});

it("goes to a phase, names the sticks there, and to another trick", async () => {
  show("roll-level");
  await userEvent.click(screen.getByRole("button", { name: "Phase 3: Roll with the opposite yaw" }));
  expect(await screen.findByText(/right stick right 100\s%, left stick left/)).toBeInTheDocument();
  await userEvent.keyboard("n");
  expect(navigation.journeys.at(-1)).toMatch(/^\/lab\?.*step=gap-knife/);
});

it("asks for an aircraft first", () => {
  show("hang", { aircraft: null, setup: null, setups: [] });
  expect(screen.getByRole("link", { name: "Add an aircraft" })).toHaveAttribute(
    "href",
    expect.stringMatching(/^\/setup/),
  );
  expect(within(document.body).queryByLabelText("Trick")).toBeNull();
});
