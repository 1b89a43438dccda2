import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { firstSettings } from "@/core";
import { odo, plank } from "@/ui/testing/made-up";
import { renderScreen } from "@/ui/testing/render-screen";
import { SymptomFinder } from "./symptom-finder";

const says = async (symptom: RegExp, lastTilt: number | null) => {
  const aircraft = { ...plank(), lastTilt: lastTilt === null ? null : { tiltDeg: lastTilt, atMs: 0 } };
  const { unmount } = renderScreen(<SymptomFinder aircraft={aircraft as never} settings={firstSettings} pilot={odo} />);
  await userEvent.click(screen.getByRole("combobox", { name: "Feels wrong?" }));
  await userEvent.click(screen.getByRole("option", { name: symptom }));
  const said = screen.getByRole("status").textContent;
  unmount();
  return said;
};

it("points to the tilt where turns float or dip, by the last reading against the setup", async () => {
  const tilt = firstSettings.tiltDeg;
  expect(await says(/Floats or dips/, null)).toContain("nobody has measured it");
  expect(await says(/Floats or dips/, tilt - 4)).toContain(`measured ${tilt - 4}.0°, 4.0° less than the setup has`);
  expect(await says(/Floats or dips/, tilt)).toContain("as the setup has it");
});

it("points to mid and expo where it bounces, to hand or tune where it swings, to the battery late in the pack", async () => {
  expect(await says(/Bounces/, null)).toMatch(
    /the hover is at \d+\s% of the stick, mid at 30\s%, expo 0\.20\. A millimetre changes the climb by 0\.\d\d g/,
  );
  expect(await says(/Swings/, null)).toMatch(/goes back and forth, it is the hand.*If it rests, it is the tune/);
  // ((1 - 0.14 - 0.12) / (1 - 0.12))² of the five inch.
  expect(await says(/late in the pack/, null)).toContain("gives 71\u202f% of its full thrust");
});
