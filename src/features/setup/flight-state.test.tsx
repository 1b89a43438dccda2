import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Aircraft, CheckFlight } from "@/contract";
import { plank } from "@/ui/testing/made-up";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { FlightStateLine } from "./flight-state";

const show = (change: Partial<Aircraft> = {}, flights: readonly CheckFlight[] = [], mayChange = true) =>
  renderScreen(<FlightStateLine aircraft={{ ...plank(), ...change }} flights={flights} mayChange={mayChange} />, {
    address: "/setup?pilot=odo",
  });
const answer = async (question: RegExp, name: string) =>
  userEvent.click(within(screen.getByRole("group", { name: question })).getByRole("button", { name }));

it("clears an aircraft when a flight by eye finds all of it well", async () => {
  const sent = fakeServer();
  show({ flightState: "new" });
  expect(screen.getByText(/New: first flight by eye/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Check flight" }));
  expect(screen.getByRole("button", { name: "All well: clear it to fly" })).toBeDisabled();
  await answer(/nudges of each stick/, "the right way");
  await answer(/sticks at rest/, "stays");
  await answer(/sound/, "smooth");
  await answer(/after landing/, "cool to warm");
  await userEvent.click(screen.getByRole("button", { name: "All well: clear it to fly" }));
  expect(sent).toEqual([
    {
      action: "check-flight",
      input: expect.objectContaining({
        aircraftId: "plank",
        found: { sense: "right", drift: "none", noise: "smooth", heat: "cool" },
        defects: [],
      }),
    },
  ]);
});

it("keeps a defect for each thing that is not well, in the coach's words", async () => {
  const sent = fakeServer();
  show();
  await userEvent.click(screen.getByRole("button", { name: "Check flight" }));
  await answer(/nudges of each stick/, "the right way");
  await answer(/sticks at rest/, "drifts off");
  await userEvent.type(screen.getByLabelText(/More about it/), "to the left");
  await answer(/sound/, "smooth");
  await answer(/after landing/, "too hot to hold");
  await userEvent.click(screen.getByRole("button", { name: "Save with its defects" }));
  expect(sent[0].input.defects).toEqual([
    expect.objectContaining({ kind: "drift", what: "to the left" }),
    expect.objectContaining({ kind: "heat", what: "" }),
  ]);
});

it("shows what is open until it is mended, what was flown, and lets a pilot only look", async () => {
  const sent = fakeServer();
  const flight = {
    id: "f",
    sense: "right",
    drift: "drifts",
    noise: "smooth",
    heat: "cool",
    coachName: "Ann",
    atMs: 5,
  } as const;
  const openDefects = [{ id: "d", kind: "drift", what: "to the left", foundAtMs: 5 }] as const;
  const { unmount } = show({ openDefects }, [flight], false);
  expect(screen.getByText(/Drifts off with the sticks at rest: to the left, since/)).toBeVisible();
  expect(screen.queryByRole("button", { name: "Mended" })).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: /^Check flights/ }));
  expect(screen.getByRole("row", { name: /drifts off smooth cool to warm Ann/ })).toBeVisible();
  unmount();
  show({ openDefects });
  await userEvent.click(screen.getByRole("button", { name: "Mended" }));
  await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
  expect(sent.map(({ input }) => input)).toEqual([
    { id: "d", aircraftId: "plank", mended: true },
    { id: "d", aircraftId: "plank", mended: false },
  ]);
});
