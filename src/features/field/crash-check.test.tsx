import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import type { TallyAircraft } from "@/contract";
import { renderScreen } from "@/ui/testing/render-screen";
import { CrashCheck } from "./crash-check";

const plank: TallyAircraft = {
  id: "plank",
  name: "Plank",
  flightState: "flying",
  clearedAtMs: 0,
  openCrashes: [{ attemptId: "a", atMs: 5 }],
  lastTilt: { tiltDeg: 24.6, atMs: Date.UTC(2026, 0, 12, 12) },
  tiltDeg: 25,
};
function Held(props: { aircraft: TallyAircraft; onClear: Parameters<typeof CrashCheck>[0]["onClear"] }) {
  const [open, setOpen] = useState(false);
  return <CrashCheck {...props} open={open} onOpen={() => setOpen(true)} onClose={() => setOpen(false)} />;
}
const show = (aircraft = plank, onClear: Parameters<typeof CrashCheck>[0]["onClear"] = jest.fn()) => {
  renderScreen(<Held aircraft={aircraft} onClear={onClear} />);
  return onClear;
};
const clear = () => screen.getByRole("button", { name: "Clear it to fly" });
beforeEach(() => localStorage.clear());

it("is nothing of an aircraft that is well", () => {
  show({ ...plank, openCrashes: [] });
  expect(screen.queryByRole("alert")).toBeNull();
});

it("clears the aircraft once props, tilt and a flight by eye are done, in any order, and says what was found", async () => {
  const onClear = show();
  expect(screen.getByRole("alert")).toHaveTextContent("Plank crashed: not through goggles before it is checked.");
  await userEvent.click(screen.getByRole("button", { name: "Check it" }));
  expect(screen.getByText(/Setup 25.0°, last measured 24.6° on/)).toBeVisible();
  await userEvent.click(screen.getByRole("switch", { name: /Hovers/ }));
  await userEvent.click(screen.getByRole("button", { name: "Changed" }));
  expect(clear()).toBeDisabled();
  await userEvent.type(screen.getByLabelText("Tilt now, °"), "22.5");
  expect(screen.getByRole("status")).toHaveTextContent("It moved by 2.5°: set it back");
  await userEvent.click(clear());
  expect(onClear).toHaveBeenCalledWith({ props: "changed", tiltDeg: 22.5 });
});

it("keeps what was looked at so far, and takes no tilt that is none", async () => {
  show();
  await userEvent.click(screen.getByRole("button", { name: "Check it" }));
  const tilt = screen.getByLabelText("Tilt now, °");
  await userEvent.type(tilt, "24.7");
  expect(screen.getByRole("status")).toHaveTextContent("As the setup says.");
  await userEvent.click(screen.getByRole("button", { name: "Later" }));
  await userEvent.click(await screen.findByRole("button", { name: "Check it" }));
  expect(screen.getByLabelText("Tilt now, °")).toHaveValue("24.7");
  await userEvent.clear(screen.getByLabelText("Tilt now, °"));
  await userEvent.type(screen.getByLabelText("Tilt now, °"), "steep");
  expect(screen.getByLabelText("Tilt now, °")).toBeInvalid();
});

it("is for a coach to clear", async () => {
  show(plank, null);
  await userEvent.click(screen.getByRole("button", { name: "Check it" }));
  expect(screen.getByText("Your coach clears it to fly.")).toBeVisible();
  expect(screen.queryByRole("button", { name: "Clear it to fly" })).toBeNull();
});
