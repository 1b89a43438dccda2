import { fireEvent, screen } from "@testing-library/react";
import { firstSettings } from "@/core";
import { plankSetup } from "@/ui/testing/made-up";
import { renderScreen } from "@/ui/testing/render-screen";
import type { LiveState } from "@/workers/live.worker";
import { SettingsOnLine } from "./settings-on-line";
import type { LineState } from "./sources";

const faults = { garbage: 0, late: 0, gapsS: 0, restarts: 0, jumps: 0 };
const stateOf = (throttle: number, dps = 0): LiveState => ({
  ...{ calls: [], tricks: [], lengthS: 1, rows: 100, faults },
  last: { stick: [0, 0, 0], throttle, gyroDps: [0, dps, 0] },
});
function show(state: LiveState | null, line: LineState = "open", heard = true) {
  const say = jest.fn();
  renderScreen(
    <SettingsOnLine
      {...{ setup: plankSetup(2), aircraftName: "Plank", state, line, say }}
      answer={{
        ...{ kind: "setup", settings: { ...firstSettings, tiltDeg: 30 }, saved: true },
        modes: { at: 2, places: ["self-level", "bank limit", "rates"] },
      }}
      isHeard={() => heard}
    />,
    { address: "/tape/live?pilot=odo" },
  );
  return { say, write: screen.getByRole("button", { name: "Write setup 2 to it" }) };
}
const propellersOff = () => fireEvent.click(screen.getByLabelText("The propellers are off"));

it("shows what writing changes first, and writes only once the propellers are said to be off", () => {
  const { say, write } = show(stateOf(0));
  expect(screen.getByRole("list", { name: "What writing changes" })).toHaveTextContent(/tilt/i);
  expect(screen.getByText("Mode switch: rates. Its other places: self-level, bank limit.")).toBeVisible();
  expect(write).toBeDisabled();
  propellersOff();
  fireEvent.click(write);
  const sent = JSON.parse(say.mock.calls[0][0] as string) as { write: { format: string; settings: object } };
  expect(sent.write).toMatchObject({ format: "bathygon-setup", settings: { tiltDeg: firstSettings.tiltDeg } });
});

it.each([
  ["the throttle is open", stateOf(0.2), "open", "The throttle is not closed."],
  ["it turns", stateOf(0, 90), "open", "The aircraft turns."],
  ["nothing came yet", null, "open", "Nothing is heard of the aircraft."],
  ["the line is lost, whatever it said last", stateOf(0), "lost", "Nothing is heard of the aircraft."],
] as const)("writes nothing while %s", (_, state, line, words) => {
  const { write } = show(state, line);
  propellersOff();
  expect(write).toBeDisabled();
  expect(screen.getByText(words)).toBeVisible();
});

it("writes nothing to an aircraft that has fallen silent on an open line", () => {
  const { say, write } = show(stateOf(0), "open", false);
  propellersOff();
  fireEvent.click(write);
  expect(say).not.toHaveBeenCalled();
  expect(screen.getByText("Nothing is heard of the aircraft.")).toBeVisible();
});
