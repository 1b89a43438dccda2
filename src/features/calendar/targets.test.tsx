import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { dateShown, typeDate } from "@/ui/testing/type-date";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import type { Outlook } from "@/words";
import type { CalendarData } from "./load";
import { Targets } from "./targets";
import { calendarData as data, nowMs } from "./testing/made-up-calendar";

const DAY_MS = 86_400_000;
const outlook: Outlook = {
  attempts: { median: 24, high: 40 },
  openSteps: 2,
  attemptsASession: 12,
  sessions: 2,
  planned: 0,
  weeks: 4,
  kind: "short",
};
const target = (id: string, kind: Outlook["kind"]): CalendarData["targets"][number] => ({
  id,
  pilotId: "odo",
  stepId: "flip-slow",
  dueAtMs: nowMs + 10 * DAY_MS,
  outlook: { ...outlook, kind },
});
it("says of each target what it takes, by shape and words, not by colour alone", () => {
  renderScreen(
    <Targets
      data={data({ targets: [target("a", "short"), target("b", "enough"), target("c", "past"), target("d", "there")] })}
    />,
  );
  expect(screen.getAllByText("Odo Fenn")).toHaveLength(4);
  expect(
    screen.getByText(
      /^▲ Not by then at this pace: about 24 more attempts .* Plan 2 more, 0.5 a week, or move the date\.$/,
    ),
  ).toBeVisible();
  expect(screen.getByText(/^◆ On course: /)).toBeVisible();
  expect(screen.getByText(/^✕ .*The date is past/)).toBeVisible();
  expect(screen.getByText("■ Signed off.")).toBeVisible();
});

it("sets one for a pilot and a step; one that is refused says why and stays open", async () => {
  const refused = { status: 422, body: { ok: false, message: "That day is past.", fields: {} } };
  const sent = fakeServer({ "set-target": refused });
  renderScreen(<Targets data={data()} />);
  expect(screen.getByText(/the attempts and sessions it takes are worked out/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Add target" }));
  const form = within(screen.getByRole("dialog"));
  expect(form.getByRole("button", { name: "Save target" })).toBeDisabled();
  expect(await dateShown("By")).toBe("25 Dec 2026");
  fireEvent.mouseDown(form.getByRole("combobox", { name: "Pilot" }));
  fireEvent.click(screen.getByRole("option", { name: "Ida Rook" }));
  fireEvent.mouseDown(form.getByRole("combobox", { name: "Step signed off" }));
  fireEvent.click(screen.getByRole("option", { name: /Slow flip/ }));
  await typeDate("By", "20122026");
  await userEvent.click(form.getByRole("button", { name: "Save target" }));
  expect(await form.findByRole("alert")).toHaveTextContent("That day is past.");
  expect(sent[0].input).toMatchObject({
    pilotId: "ida",
    stepId: "flip-slow",
    dueAtMs: new Date("2026-12-20T23:59:00").getTime(),
  });
  // The same target, sent again, is the same.
  fakeServer();
  await userEvent.click(form.getByRole("button", { name: "Save target" }));
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
});

it("takes one out, and brings it back from the message that says so", async () => {
  const sent = fakeServer();
  renderScreen(<Targets data={data({ targets: [target("a", "short")] })} />);
  await userEvent.click(screen.getByRole("button", { name: "Remove" }));
  await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent.map(({ action, input }) => [action, input.id])).toEqual([
    ["remove-target", "a"],
    ["restore-target", "a"],
  ]);
});

it("a pilot reads them and changes none", () => {
  renderScreen(<Targets data={data({ mayChange: false, targets: [target("a", "short")] })} />);
  expect(screen.queryByRole("button")).toBeNull();
});
