import { act, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { odo } from "@/ui/testing/made-up";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { ReactionPanel } from "./reaction-panel";

beforeEach(() => jest.useFakeTimers({ advanceTimers: true }));
afterEach(() => jest.useRealTimers());

it("calls at random, tells what answers took as a rule once there are five, and works margins out with it", async () => {
  const sent = fakeServer();
  const answers = [0.4, null, 0.5, 0.42, 0.41, 0.6];
  const reactionS = jest.fn(async () => answers[0]);
  renderScreen(
    <ReactionPanel pilot={{ ...odo, reactionS: null, cruiseMps: 9 }} reactionS={reactionS} aloud={false} coaches />,
  );
  const user = userEvent.setup({ advanceTimers: (ms) => jest.advanceTimersByTime(ms) });
  while (answers.length > 0) {
    await user.click(screen.getByRole("button", { name: "Call" }));
    expect(screen.getByText("Wait for it")).toBeVisible();
    await act(async () => jest.advanceTimersByTimeAsync(10_000));
    answers.shift();
  }
  expect(screen.getByText(/5 answers, 1 too soon or too late: 0\.42\ss as a rule/)).toBeVisible();
  await user.click(screen.getByRole("button", { name: /^Work margins out with 0\.42\ss/ }));
  await act(async () => jest.advanceTimersByTimeAsync(100));
  // What else was measured of the hands stays.
  expect(sent[0]).toMatchObject({ action: "edit-pilot", input: { id: "odo", reactionS: 0.42, cruiseMps: 9 } });
});
