import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Session } from "@/contract";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { RecentSessions } from "./recent-sessions";

const session = (id: string, change: Partial<Session> = {}): Session => ({
  id,
  squadId: "squad",
  coachId: "coach",
  place: "field",
  startedAtMs: 0,
  begun: true,
  endedAtMs: 3_600_000,
  pilots: [],
  ...change,
});
const show = (...sessions: Session[]) =>
  renderScreen(
    <RecentSessions
      recent={sessions.map((one) => ({
        session: one,
        coachName: "Ann Pell",
        pilotNames: ["Odo Fenn", "Ida Rook"],
        attempts: 14,
      }))}
    />,
  );

it("says of each who flew, how much, where and with whom, and leads to it", () => {
  show(session("one"));
  const list = within(screen.getByRole("region", { name: "Recent sessions" }));
  expect(list.getByText("Odo Fenn, Ida Rook")).toBeVisible();
  expect(list.getByText(/attempts · .* · Ann Pell$/)).toHaveTextContent(/^14 attempts/);
  expect(list.getByRole("link")).toHaveAttribute("href", "/session/one");
  expect(list.queryByText(/still open|prepared/)).toBeNull();
  expect(list.queryByRole("button")).toBeNull();
});

it("tells one that is still open from one that is only prepared, and lets go of the latter", async () => {
  const sent = fakeServer();
  show(session("open", { endedAtMs: null }), session("later", { endedAtMs: null, begun: false }));
  expect(screen.getByText("▲ still open")).toBeVisible();
  expect(screen.getByText("▲ prepared")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Let go of it" }));
  await waitFor(() => expect(sent).toEqual([{ action: "drop-session", input: { id: "later" } }]));
});

it("says that there is none yet", () => {
  show();
  expect(screen.getByText("None yet.")).toBeVisible();
});
