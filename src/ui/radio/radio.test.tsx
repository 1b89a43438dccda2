import { act, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { renderScreen } from "@/ui/testing/render-screen";
import { FindSticks } from "./find-sticks";
import { axisMoved, readRadioMap, sticksOf, usualRadio, type RadioMap } from "./radio-map";

describe("which stick is which axis", () => {
  it("is told by the one that moved far, and by none where two did or it was taken", () => {
    expect(axisMoved([0, 0.02, -1, 0], [0.05, -0.94, -1, 0])).toEqual({ index: 1, rest: 0.02, moved: -0.94 });
    expect(axisMoved([0, 0, -1, 0], [0.3, 0, -1, 0])).toBeNull();
    expect(axisMoved([0, 0, -1, 0], [0.9, 0.8, -1, 0])).toBeNull();
    expect(axisMoved([0, 0, -1, 0], [0.9, 0, 1, 0], [2])).toMatchObject({ index: 0 });
  });

  it("gives sticks by their rest and their end, the other way round and short of the end as well", () => {
    const map: RadioMap = {
      throttle: { index: 0, rest: 0.9, moved: -0.9 },
      yaw: { index: 3, rest: 0.1, moved: 0.9 },
      pitch: { index: 1, rest: 0, moved: -1 },
      roll: { index: 2, rest: 0, moved: 0.8 },
    };
    expect(sticksOf(map, [0, 0.5, 0.8, 0.1])).toEqual({ throttle: 0.5, yaw: 0, pitch: -0.5, roll: 1 });
    expect(sticksOf(map, [-1, 0, -1, 0.9])).toMatchObject({ throttle: 1, roll: -1, yaw: 1 });
    // A radio that says less than it should has that stick at rest.
    expect(sticksOf(map, [0.9])).toEqual({ throttle: 0, yaw: 0, pitch: 0, roll: 0 });
  });

  it("is read again as it was kept, and not where it is no such thing", () => {
    expect(readRadioMap(JSON.parse(JSON.stringify(usualRadio)))).toEqual(usualRadio);
    for (const broken of [
      null,
      {},
      { ...usualRadio, roll: { index: 0, rest: 1, moved: 1 } },
      { ...usualRadio, yaw: { index: 1.5, rest: 0, moved: 1 } },
    ])
      expect(readRadioMap(broken)).toBeNull();
  });
});

it("finds the sticks by having them moved one after the other", async () => {
  jest.useFakeTimers({ advanceTimers: true });
  const user = userEvent.setup({ advanceTimers: (ms) => jest.advanceTimersByTime(ms) });
  let axes: number[] | null = null;
  Object.assign(navigator, { getGamepads: () => [axes && { id: "Radio", axes }] });
  const found = jest.fn();
  renderScreen(<FindSticks open onClose={() => undefined} onFound={found} />);
  await user.click(screen.getByRole("button", { name: "Begin" }));
  expect(screen.getByText(/The radio is gone/)).toBeVisible();
  axes = [0, 0, 0, -1];
  await user.click(screen.getByRole("button", { name: "Begin" }));
  const hold = async (now: number[]) => {
    axes = now;
    // What is seen is drawn once the timers have run.
    for (const ms of [500, 200]) await act(async () => jest.advanceTimersByTimeAsync(ms));
  };
  expect(screen.getByText(/^Open the throttle/)).toBeVisible();
  await hold([0, 0, 0, 1]);
  expect(screen.getByText(/yaw all the way right/)).toBeVisible();
  await hold([0, 0, 0.95, -1]);
  expect(screen.getByText(/come back to the middle/)).toBeVisible();
  await hold([0, 0, 0, -1]);
  await hold([0, -1, 0, -1]);
  await hold([0, 0, 0, -1]);
  await hold([1, 0, 0, -1]);
  expect(found).toHaveBeenCalledWith({
    throttle: { index: 3, rest: -1, moved: 1 },
    yaw: { index: 2, rest: 0, moved: 0.95 },
    pitch: { index: 1, rest: 0, moved: -1 },
    roll: { index: 0, rest: 0, moved: 1 },
  });
  jest.useRealTimers();
});
