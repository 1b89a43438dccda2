import { act, fireEvent, screen } from "@testing-library/react";
import type { LoggedAttempt, PlannedBlock } from "@/contract";
import { renderScreen } from "@/ui/testing/render-screen";
import { PackClock, packMinutes, usePack } from "./pack-clock";

function Clock(props: { counted?: number; plannedMin?: number | null; taps?: readonly LoggedAttempt[] }) {
  const pack = usePack("session", props.counted);
  return (
    <>
      <PackClock pack={pack} plannedMin={props.plannedMin ?? null} taps={props.taps ?? []} />
      <button onClick={pack.end}>next pilot</button>
    </>
  );
}
const clock = () => screen.getByRole("button", { name: /pack/i });
const says = () => clock().getAttribute("aria-label");
const pass = (seconds: number) => act(() => void jest.advanceTimersByTime(1000 * seconds));

beforeEach(() => {
  localStorage.clear();
  jest.useFakeTimers({ now: 0 });
});
afterEach(() => void jest.useRealTimers());

it("counts up where nothing was planned, and numbers packs on from those that others counted", () => {
  renderScreen(<Clock counted={3} />);
  expect(says()).toBe("Start pack 4");
  fireEvent.click(clock());
  pass(75);
  expect(says()).toBe("Pack 4, 1:15. Tap to end it");
  fireEvent.click(clock());
  expect(says()).toBe("Start pack 5");
});

it("ends with the turn, once, and only a pack that is flown", () => {
  renderScreen(<Clock />);
  fireEvent.click(screen.getByText("next pilot"));
  expect(says()).toBe("Start pack 1");
  fireEvent.click(clock());
  fireEvent.click(screen.getByText("next pilot"));
  fireEvent.click(screen.getByText("next pilot"));
  expect(says()).toBe("Start pack 2");
});

it("goes on over a reload from when the pack was plugged in, also long after", () => {
  const first = renderScreen(<Clock plannedMin={4} />);
  fireEvent.click(clock());
  pass(30);
  first.unmount();
  pass(60);
  renderScreen(<Clock plannedMin={4} />);
  expect(says()).toBe("Pack 1, 2:30 left. Tap to end it");
  pass(2 * 86_400);
  expect(says()).toMatch(/^Pack 1, −\d+:\d\d left, land now/);
});

it("calls the last try as early as this pilot's tries are long", () => {
  const taps = [0, 60, 120, 180].map((atS) => ({ atMs: 1000 * atS, pack: 1 }) as LoggedAttempt);
  renderScreen(<Clock plannedMin={4} taps={taps} />);
  fireEvent.click(clock());
  pass(145);
  expect(says()).not.toContain("no further try");
  // A minute for the try and half of one to land.
  pass(10);
  expect(says()).toContain("1:25 left, no further try");
});

it.each([
  [[0, 2], [6, 2], 4],
  [[0], [6, 2], 8],
  [[], [6, 2], null],
  [[0, 2], [0], null],
  // Far off, and far too little: neither stops the tally.
  [[0], Array.from({ length: 20 }, () => 600), 12_000],
  [[0, 2], [0.01], null],
])("turns %j with blocks of %j min make packs of %d min", (turns, minutes, each) => {
  const blocks = minutes.map((one) => ({ minutes: one }) as PlannedBlock);
  const plannedMin = packMinutes({ turns }, blocks);
  expect(plannedMin).toBe(each);
  renderScreen(<Clock plannedMin={plannedMin} />);
  expect(says()).toMatch(/^Start pack 1/);
});
