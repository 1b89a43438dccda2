import { fireEvent, render, screen } from "@testing-library/react";
import { useAlarm } from "./use-alarm";

const CALLS = { late: 1, land: 3 };
function Clock({ state }: { state: string }) {
  const getReady = useAlarm(state, CALLS);
  return <button onClick={getReady}>start</button>;
}

/** An audio device as a browser has it: silent until a tap. */
function speaker(running = true) {
  const started: number[] = [];
  const node = { connect: (to: unknown) => to };
  const context = {
    state: running ? "running" : "suspended",
    currentTime: 10,
    destination: node,
    resume: jest.fn(() => (running ? Promise.resolve() : Promise.reject(new Error("not allowed")))),
    close: jest.fn(() => Promise.resolve()),
    createGain: () => ({ ...node, gain: { setValueAtTime: jest.fn(), exponentialRampToValueAtTime: jest.fn() } }),
    createOscillator: () => ({
      ...node,
      frequency: { value: 0 },
      start: (atS: number) => started.push(atS),
      stop: jest.fn(),
    }),
  };
  Object.assign(globalThis, { AudioContext: jest.fn(() => context) });
  return { started, context };
}
const vibrate = jest.fn();

beforeEach(() => {
  vibrate.mockClear();
  Object.assign(navigator, { vibrate });
});
afterEach(() => void Reflect.deleteProperty(globalThis, "AudioContext"));

it("sounds and buzzes once when it comes to a call, as often as that call says, and is silent for what is none", () => {
  const { started } = speaker();
  const shown = render(<Clock state="flying" />);
  fireEvent.click(screen.getByRole("button"));
  shown.rerender(<Clock state="late" />);
  expect(started).toEqual([10]);
  shown.rerender(<Clock state="late" />);
  expect(started).toHaveLength(1);
  shown.rerender(<Clock state="land" />);
  expect(started).toHaveLength(4);
  // One after the other.
  expect(new Set(started.slice(1)).size).toBe(3);
  expect(vibrate.mock.calls.map(([pattern]: [number[]]) => pattern.length)).toEqual([1, 5]);
  shown.rerender(<Clock state="flying" />);
  expect(started).toHaveLength(4);
});

it("does not sound for how it stood when the page was opened", () => {
  const { started } = speaker();
  render(<Clock state="land" />);
  expect(started).toEqual([]);
  expect(vibrate).not.toHaveBeenCalled();
});

it("buzzes where the browser keeps the page silent, or nobody has tapped yet, or there is no sound at all", () => {
  const { started } = speaker(false);
  const shown = render(<Clock state="flying" />);
  fireEvent.click(screen.getByRole("button"));
  shown.rerender(<Clock state="late" />);
  expect(started).toEqual([]);
  expect(vibrate).toHaveBeenCalledTimes(1);
  Reflect.deleteProperty(globalThis, "AudioContext");
  const other = render(<Clock state="flying" />);
  fireEvent.click(screen.getAllByRole("button")[1]);
  other.rerender(<Clock state="late" />);
  expect(vibrate).toHaveBeenCalledTimes(2);
});

it("lets the device go with the page", () => {
  const { context } = speaker();
  const shown = render(<Clock state="flying" />);
  fireEvent.click(screen.getByRole("button"));
  shown.unmount();
  expect(context.close).toHaveBeenCalled();
});
