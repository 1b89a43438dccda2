import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { CalendarScreen } from "./calendar-screen";
import { calendarData as data, nowMs } from "./testing/made-up-calendar";

const DAY_MS = 86_400_000;
const planned = {
  id: "plan",
  squadId: "squad",
  siteId: null,
  startsAtMs: nowMs + 3 * DAY_MS,
  minutes: 90,
  note: "bring gloves",
  pilotIds: ["odo"],
  version: 2,
};

it("says what to do first, and a plan that is refused keeps what was entered", async () => {
  const sent = fakeServer({
    "plan-session": {
      status: 422,
      body: {
        ok: false,
        message: "a session takes 10 minutes to a day",
        fields: { minutes: "a session takes 10 minutes to a day" },
      },
    },
  });
  renderScreen(<CalendarScreen data={data()} />);
  expect(screen.getByText(/Nothing flown and nothing planned yet/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Plan a session" }));
  fireEvent.change(screen.getByLabelText("Length, min"), { target: { value: "5" } });
  await userEvent.click(screen.getByRole("checkbox", { name: "Ida Rook" }));
  await userEvent.click(screen.getByRole("button", { name: "Plan it" }));
  expect(await screen.findAllByText("a session takes 10 minutes to a day")).toHaveLength(2);
  expect(screen.getByLabelText("Length, min")).toHaveValue("5");
  await userEvent.click(screen.getByRole("button", { name: "Plan it" }));
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent[0].input).toMatchObject({ squadId: "squad", minutes: 5, pilotIds: ["odo"] });
  // The same plan, sent again, is the same.
  expect(sent[1].input.id).toBe(sent[0].input.id);
});

it("shows what is planned and flown newest first, with the gap between, and leads to its start", () => {
  renderScreen(
    <CalendarScreen
      data={data({
        planned: [planned],
        past: [
          {
            id: "s",
            squadId: "squad",
            place: "field",
            siteId: null,
            startedAtMs: nowMs - 20 * DAY_MS,
            endedAtMs: nowMs - 20 * DAY_MS,
            pilots: 1,
            attendance: { all: false, pilotIds: ["ida"] },
            attempts: 7,
          },
        ],
        gaps: [{ fromMs: nowMs - 20 * DAY_MS, toMs: nowMs + 3 * DAY_MS, days: 23, ahead: true }],
      })}
    />,
  );
  const text = document.body.textContent!;
  const places = ["bring gloves", "23 days without flying", "7 attempts"].map((words) => text.indexOf(words));
  expect(places).toEqual([...places].sort((a, b) => a - b));
  expect(places[0]).toBeGreaterThan(0);
  // The same in weeks: from that of the first flight on, with what is planned on its day, and the days between hatched.
  const weeks = within(screen.getByRole("table", { name: "Weeks" }));
  expect(weeks.getByRole("link", { name: /1 pilot$/ })).toHaveAttribute("href", "/session/s");
  expect(weeks.getByText(/□ 1 pilot/)).toBeVisible();
  expect(weeks.getAllByText("no flying")).toHaveLength(22);
  expect(weeks.getAllByRole("row")).toHaveLength(6);
  expect(screen.getByRole("link", { name: "Start session" })).toHaveAttribute(
    "href",
    expect.stringContaining("plan=plan"),
  );
});
