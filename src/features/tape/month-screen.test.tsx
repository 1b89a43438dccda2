import { screen, within } from "@testing-library/react";
import { tapeMonth, type FoundTrick } from "@/core";
import { odo } from "@/ui/testing/made-up";
import { renderScreen } from "@/ui/testing/render-screen";
import { MonthScreen } from "./month-screen";

const DAY_MS = 86_400_000;
const pack = (day: number, stop: number) => ({
  atMs: Date.UTC(2026, 10, day),
  tricks: [1, -1, 1].map((sign) => {
    const measures = { stopErrorDeg: sign * stop, swingBackDeg: 5, throttleInvertedMean: 0 };
    return { kind: "flip", confidence: 0.9, measures } as FoundTrick;
  }),
  smoothness: null,
  reach: { roll: 0.3, pitch: 0.92, yaw: 0.1 },
});
const show = (...packs: ReturnType<typeof pack>[]) =>
  renderScreen(
    <MonthScreen
      data={{
        ...{ pilot: odo, days: 92, month: tapeMonth(packs) },
        recordings: packs.map(({ atMs }) => ({
          id: `r${atMs / DAY_MS}`,
          name: `pack ${new Date(atMs).getUTCDate()}.csv`,
        })),
      }}
    />,
    { address: "/tape/month?pilot=odo" },
  );

it("says what changed, and has each recording with its figures and the way to it", () => {
  show(pack(2, 25), pack(5, 23), pack(19, 9), pack(26, 8));
  expect(screen.getByRole("status", { name: "What changed" })).toHaveTextContent("■ Stop error down from 24° to 9°.");
  const rows = within(screen.getByRole("region", { name: "Recordings" })).getAllByRole("row");
  expect(rows).toHaveLength(5);
  expect(rows[1]).toHaveTextContent(/pack 2.*3.*25°.*5°.*0\s%.*–.*92\s%/);
  expect(within(rows[1]).getByRole("link").getAttribute("href")).toMatch(/^\/tape\?.*recording=r/);
  expect(screen.getByRole("link", { name: "three months" })).toHaveAttribute("aria-current", "page");
});

it("says of too few that more tell more, and of none what to do", () => {
  show(pack(2, 25), pack(5, 23));
  expect(screen.getByRole("status", { name: "What changed" })).toHaveTextContent(
    /2 recordings: two early and two late/,
  );
});

it("an empty month leads to where recordings are kept", () => {
  show();
  expect(screen.getByText(/No recording of that time is kept/)).toBeVisible();
});
