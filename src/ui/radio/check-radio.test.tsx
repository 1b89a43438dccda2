import { act, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { renderScreen } from "@/ui/testing/render-screen";
import { CheckRadio } from "./check-radio";
import { usualRadio } from "./radio-map";

it("is left alone, then moved, and says what is wrong; a radio that is pulled out meanwhile is said", async () => {
  // Only as far as told: a busy machine would end the look before the stick has been everywhere.
  jest.useFakeTimers();
  const user = userEvent.setup({ advanceTimers: (ms) => jest.advanceTimersByTime(ms) });
  let axes: number[] | null = [0, 0, -1, 0];
  Object.assign(navigator, { getGamepads: () => [axes && { id: "Radio", axes }] });
  const pass = (ms: number) => act(async () => jest.advanceTimersByTimeAsync(ms));
  renderScreen(<CheckRadio open onClose={() => undefined} map={usualRadio} />);
  await user.click(screen.getByRole("button", { name: "Start check" }));
  await pass(1600);
  expect(screen.getByText(/^Now move every stick slowly/)).toBeVisible();
  // Roll comes to 80 % of its ends.
  for (let i = 0; i <= 150; i++) {
    axes = [0.8 * Math.sin((2 * Math.PI * i) / 150), 0, -1, 0];
    await pass(100);
  }
  expect(screen.getByText(/^▲ roll: reaches 80\s% of its end/)).toBeVisible();
  await user.click(screen.getByRole("button", { name: "Check again" }));
  axes = null;
  await pass(50);
  expect(screen.getByText(/^▲ The radio is gone/)).toBeVisible();
  jest.useRealTimers();
  Reflect.deleteProperty(navigator, "getGamepads");
});
