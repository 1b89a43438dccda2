import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { firstSettings, STANDARD_DAY } from "@/core";
import { plank } from "@/ui/testing/made-up";
import { renderScreen } from "@/ui/testing/render-screen";
import { GapPanel } from "./gap-panel";

jest.mock("@/ui/worker/worker-client", () => ({
  workerClient: () => ({
    ask: (call: (remote: object) => Promise<number>) =>
      call({
        lastGoAroundM: (_: unknown, __: unknown, ___: unknown, asked: { speedMps: number }) =>
          Promise.resolve(2 * asked.speedMps),
      }),
    close: () => undefined,
  }),
}));

const show = () =>
  renderScreen(<GapPanel aircraft={plank()} settings={firstSettings} stage={3} reactionS={0.55} air={STANDARD_DAY} />);
const chance = () => {
  const label = screen.getByRole("button", { name: /^Chance through/ }).getAttribute("aria-label")!;
  return Number(/(\d+)\s%/.exec(label)![1]);
};
const type = async (label: string, text: string) => {
  await userEvent.clear(screen.getByLabelText(label));
  if (text !== "") await userEvent.type(screen.getByLabelText(label), text);
};

it("says how likely this gap is gone through, less so the narrower, the faster and the worse the line is held", async () => {
  show();
  const wide = chance();
  expect(wide).toBeGreaterThan(80);
  await type("Width, m", "0,6");
  const narrow = chance();
  expect(narrow).toBeLessThan(wide);
  await type("Speed, m/s", "9");
  expect(chance()).toBeLessThan(narrow);
  await type("Speed, m/s", "4");
  await type("Off-centre, ± m", "0.05");
  expect(chance()).toBeGreaterThan(95);
  expect(await screen.findByRole("button", { name: /^Last point to go round: 8\.0 m/ })).toBeVisible();
});

it("names what is no width or speed, and loses nothing", async () => {
  show();
  await type("Width, m", "99");
  await type("Speed, m/s", "");
  expect(screen.getByText("0.1 to 30")).toBeVisible();
  expect(screen.getByText("2 to 15")).toBeVisible();
  expect(screen.queryByRole("button", { name: /^Chance through/ })).toBeNull();
  expect(screen.getByLabelText("Width, m")).toHaveValue("99");
});
