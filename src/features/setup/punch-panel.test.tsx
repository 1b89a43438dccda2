import { fireEvent, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { firstSettings, punchStick, rounded, SEA_LEVEL_AIR, throttleAtStick, type Measurement } from "@/core";
import { BadFieldsProvider } from "@/ui/forms/bad-fields";
import { plank } from "@/ui/testing/made-up";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { PunchPanel } from "./punch-panel";

const show = (measurements: readonly Measurement[] = []) =>
  renderScreen(
    <BadFieldsProvider>
      <PunchPanel aircraft={{ ...plank(), measurements }} settings={firstSettings} mayChange />
    </BadFieldsProvider>,
    { address: "/setup?pilot=odo" },
  );
const row = (name: RegExp) => within(screen.getByRole("row", { name })).getAllByRole("cell");

it("counts a hang against the one worked out, at the stick it was flown with", async () => {
  const stick = rounded(punchStick(plank().airframe, firstSettings, SEA_LEVEL_AIR)!, 2);
  const command = throttleAtStick(firstSettings.throttle, stick);
  const { unmount } = show([{ kind: "hang", punchS: 0.6, command, hangS: 0.5 }]);
  expect(row(/^0\.60/).at(-1)).toHaveTextContent(/^0\.50 s, \d+\s% shorter$/);
  expect(row(/^0\.75/).at(-1)).toHaveTextContent("");
  // Another stick is another ladder.
  const hang = row(/^0\.75/)[2].textContent;
  fireEvent.change(screen.getByLabelText("Throttle stick of the punch, %, typed"), { target: { value: "80" } });
  expect(row(/^0\.75/)[2].textContent).not.toBe(hang);
  expect(row(/^0\.60/).at(-1)).toHaveTextContent("");
  unmount();
});

it("keeps a count among what was measured, and says what is wrong with one", async () => {
  const sent = fakeServer();
  show();
  await userEvent.click(screen.getByRole("button", { name: "Keep this count" }));
  expect(screen.getByText("Hang must be between 0.2 and 20 s")).toBeVisible();
  expect(sent).toEqual([]);
  await userEvent.type(screen.getByLabelText("Hang counted, s"), "0,9");
  await userEvent.click(screen.getByRole("button", { name: "Keep this count" }));
  expect(sent[0]).toMatchObject({
    action: "measure-aircraft",
    input: { id: "plank", measurements: [{ kind: "hang", punchS: 0.6, hangS: 0.9 }] },
  });
});
