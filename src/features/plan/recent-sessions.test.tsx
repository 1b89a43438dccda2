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
const show = (...sessions: Session[]) => showWith(14, ...sessions);
const showWith = (attempts: number, ...sessions: Session[]) =>
  renderScreen(
    <RecentSessions
      nowMs={3_600_000}
      recent={sessions.map((one) => ({
        session: one,
        coachName: "Ann Pell",
        pilotNames: ["Odo Fenn", "Ida Rook"],
        attempts,
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

it("tells one that is still open from one that is only prepared", () => {
  show(session("open", { endedAtMs: null }), session("later", { endedAtMs: null, begun: false }));
  expect(screen.getByText("▲ still open")).toBeVisible();
  expect(screen.getByText("▲ prepared")).toBeVisible();
});

it("deletes one in which nothing was flown, and has it back prepared; one under way stays", async () => {
  const sent = fakeServer();
  const member = { pilotId: "odo", stepId: "flip-slow", setupId: null, loadId: null };
  showWith(0, session("open", { endedAtMs: null }), session("empty", { pilots: [member] }));
  await userEvent.click(screen.getByRole("button", { name: "Delete session" }));
  await waitFor(() => expect(sent).toEqual([{ action: "drop-session", input: { id: "empty" } }]));
  await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() =>
    expect(sent.at(-1)).toMatchObject({
      action: "start-session",
      input: { id: "empty", place: "field", prepared: true, pilots: [member] },
    }),
  );
});

it("says that there is none yet", () => {
  show();
  expect(screen.getByText("None yet.")).toBeVisible();
});
