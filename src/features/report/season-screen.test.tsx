import { fireEvent, screen, within } from "@testing-library/react";
import { odo, standingWith } from "@/ui/testing/made-up";
import { typeDate } from "@/ui/testing/type-date";
import { navigation, renderScreen } from "@/ui/testing/render-screen";
import { seasonDrawn, seasonFigures } from "./season";
import { SeasonScreen } from "./season-screen";

const DAY_MS = 86_400_000;
const nowMs = Date.parse("2026-11-25T12:00:00Z");
const flown = (daysAgo: number, outcome: "clean" | "rough") =>
  Array.from({ length: 5 }, (_, i) => ({
    stepId: "hang",
    direction: "right",
    outcome,
    place: "field" as const,
    setupId: null,
    sessionId: `${daysAgo}`,
    atMs: nowMs - daysAgo * DAY_MS + i,
  }));

it("says what was flown, better or worse, the gap, and where they stand; another day is another season", async () => {
  const attempts = [...flown(40, "rough"), ...flown(3, "clean")];
  renderScreen(
    <SeasonScreen
      season={{
        pilot: odo,
        sinceMs: Date.parse("2026-06-01T00:00:00Z"),
        since: "2026-06-01",
        timeZone: "UTC",
        nowMs,
        figures: seasonFigures(attempts, ["hang"], "UTC"),
        picture: seasonDrawn(attempts, [], () => 5, 0, "UTC"),
        milestones: [],
        setups: [],
        current: standingWith(attempts, { nowMs }).standing.current,
        reviewsDue: [],
      }}
    />,
    { address: "/season?pilot=odo" },
  );
  expect(screen.getByText(/attempts on/)).toHaveTextContent("10 attempts on 2 days, 0 steps signed off");
  expect(screen.getByRole("img", { name: /^Depth over the season/ })).toHaveAccessibleName(
    "Depth over the season: 0 sign-offs, 0 setups, 1 gap, 0 crashes",
  );
  expect(screen.getByText(/No flight for/)).toHaveTextContent("No flight for 37 days");
  const line = within(screen.getByText("Hang, right").parentElement!);
  expect(line.getByText(/then/)).toHaveTextContent(/0 then 100\s%/);
  expect(screen.getByRole("link", { name: "Export PDF" })).toHaveAttribute(
    "href",
    "/reports/odo/season.pdf?since=2026-06-01",
  );
  await typeDate("Since", "01092026");
  fireEvent.blur(screen.getByRole("group", { name: "Since" }));
  expect(navigation.journeys.at(-1)).toMatch(/^\/season\?.*since=2026-09-01/);
});
