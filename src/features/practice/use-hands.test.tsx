import { act, renderHook } from "@testing-library/react";
import { useHands } from "./use-hands";

const plugIn = (buttons: readonly boolean[]) => {
  const pad = { id: "Radio", axes: [0, 0, -1, 0], timestamp: 1, buttons: buttons.map((pressed) => ({ pressed })) };
  Object.defineProperty(navigator, "getGamepads", { value: () => [pad], configurable: true });
};
afterEach(() => void Reflect.deleteProperty(navigator, "getGamepads"));

it("takes a switch of the radio for the one that levels only where the drill has it, and only once it is thrown in flight", () => {
  plugIn([true, false]);
  const { result, rerender } = renderHook(({ switches }) => useHands(true, switches), {
    initialProps: { switches: true },
  });
  const levelled = () => result.current.read(0.01)?.levelled;
  act(() => result.current.begin(0.3));
  // The one that arms it is on from the start.
  expect(levelled()).toBe(false);
  plugIn([true, true]);
  expect(levelled()).toBe(true);
  act(() => void result.current.throwSwitch());
  expect(levelled()).toBe(false);
  act(() => void result.current.throwSwitch());
  rerender({ switches: false });
  expect(levelled()).toBe(false);
});
