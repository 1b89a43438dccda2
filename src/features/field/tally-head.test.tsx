import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Site } from "@/contract";
import { tallyPilot } from "@/contract/testing/made-up-pilot";
import type { BriefData } from "@/features/brief/client";
import { builtInSyllabus, type Step } from "@/syllabus";
import { renderScreen } from "@/ui/testing/render-screen";
import { EndSession } from "./end-session";
import { TallyHead } from "./tally-head";

const slow = builtInSyllabus.stepById.get("flip-slow")!;
const site = { name: "Pans", ceilingM: 30 } as Site;
const brief = (startHeights: BriefData["startHeights"]) =>
  ({ startHeights, school: {}, own: [] }) as unknown as BriefData;
const head = (change: Partial<Parameters<typeof TallyHead>[0]> = {}, units: "metric" | "imperial" = "metric") =>
  renderScreen(
    <TallyHead
      pilot={tallyPilot("odo", "Odo Fenn", ["flip-slow"], { turns: [0, 2, 4] })}
      packAt={1}
      step={slow}
      brief={undefined}
      direction="back"
      site={null}
      name={<h1>Odo Fenn</h1>}
      {...change}
    >
      <button>clock</button>
    </TallyHead>,
    { preferences: { theme: "light", units } },
  );
const line = () => screen.getByText(/Slow flip|Free flying/).textContent!.replaceAll(/\s/g, " ");

it("says who flies what in which of their turns, with the clock beside it", () => {
  head();
  expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent("Odo Fenn");
  expect(line()).toBe("Slow flip, turn 2/3");
  expect(screen.getByRole("button", { name: "clock" })).toBeVisible();
});

it.each([
  ["metric", "from 9.2 m up", "not above 30 m"],
  ["imperial", "from 30 ft up", "not above 98 ft"],
] as const)("says in %s from where it is begun and above what nobody flies", (units, from, ceiling) => {
  const height = { heightM: 9.2, reason: { kind: "freeze", before: "Catch", lostM: 7.7, packUsed: 0 } } as const;
  head({ brief: brief({ back: height }), site }, units);
  expect(line()).toContain(from);
  expect(line()).toContain(ceiling);
});

it("says so where nobody has worked the height out, and nothing of a limit that nobody knows", () => {
  head({ brief: brief({}), site: { ...site, ceilingM: null } });
  expect(line()).toContain("start height not worked out");
  expect(line()).not.toContain("not above");
});

it("has no height to begin at where no trick of the model is flown", () => {
  head({ brief: brief({}), step: builtInSyllabus.stepById.get("arm-reflex") as Step });
  expect(screen.queryByText(/start height/)).toBeNull();
  expect(head({ step: null, brief: brief({}) }).container).toHaveTextContent("Free flying, turn 2/3");
});

it("ends a session only when it was asked twice, and says what becomes of what waits", async () => {
  const onEnd = jest.fn();
  const shown = renderScreen(<EndSession waiting={0} onEnd={onEnd} />);
  await userEvent.click(screen.getByRole("button", { name: "End the session" }));
  expect(screen.getByRole("dialog")).toHaveTextContent("What was tapped is kept. It can be opened again");
  await userEvent.keyboard("{Escape}");
  expect(onEnd).not.toHaveBeenCalled();
  shown.rerender(<></>);
  renderScreen(<EndSession waiting={3} onEnd={onEnd} />);
  await userEvent.click(screen.getByRole("button", { name: "End the session" }));
  expect(screen.getByRole("dialog")).toHaveTextContent("also what still waits on this device");
  await userEvent.click(screen.getByRole("button", { name: "End it" }));
  expect(onEnd).toHaveBeenCalledTimes(1);
});
