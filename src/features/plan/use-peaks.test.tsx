import { renderHook, waitFor } from "@testing-library/react";
import { airframePresets, CALM_AIR, firstSettings, recipes } from "@/core";
import { usePeaks, type PeakTask } from "./use-peaks";

const { airframe } = airframePresets["five-inch-freestyle"];
const flown: string[] = [];
/** What the workers answer, by recipe: a height, or that they break. */
const answers: Record<string, number | null | Error> = {};
const highestPointM = (recipe: PeakTask["recipe"]) => {
  flown.push(recipe.id);
  const answer = answers[recipe.id];
  return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer);
};
jest.mock("@/ui/scatter/pool", () => ({
  createPool: () => ({
    run: (job: (remote: unknown) => Promise<unknown>) => job({ highestPointM }),
    close: () => {},
  }),
}));

const task = (id: string, key = id, tiltDeg = 20): PeakTask => ({
  key,
  recipe: recipes[id],
  airframe,
  settings: { ...firstSettings, tiltDeg },
  environment: CALM_AIR,
});

beforeEach(() => {
  flown.length = 0;
});

it("flies each trick once, whoever flies it and however often the plan is looked at; what breaks or does not go has no height", async () => {
  Object.assign(answers, { "roll-pure-left": 14.5, "roll-pure-right": null, "hang-left": new Error("broken") });
  const tasks = [
    task("roll-pure-left", "odo"),
    task("roll-pure-left", "ida"),
    task("roll-pure-right"),
    task("hang-left"),
  ];
  const { result, rerender, unmount } = renderHook(({ of }) => usePeaks(of), { initialProps: { of: tasks } });
  expect(result.current.size).toBe(0);
  await waitFor(() => expect(result.current.size).toBe(4));
  expect(Object.fromEntries(result.current)).toEqual({
    odo: 14.5,
    ida: 14.5,
    "roll-pure-right": null,
    "hang-left": null,
  });
  rerender({ of: [...tasks] });
  unmount();
  const again = renderHook(({ of }) => usePeaks(of), { initialProps: { of: tasks.slice(0, 1) } });
  expect([...again.result.current]).toEqual([["odo", 14.5]]);
  expect(flown).toEqual(["roll-pure-left", "roll-pure-right", "hang-left"]);
  // The worker broke, not the trick.
  answers["hang-left"] = 22;
  again.rerender({ of: tasks.slice(3) });
  await waitFor(() => expect([...again.result.current]).toEqual([["hang-left", 22]]));
});

it("flies it anew with other settings", async () => {
  answers["roll-pure-left"] = 15;
  const { result } = renderHook(() => usePeaks([task("roll-pure-left", "odo", 31)]));
  await waitFor(() => expect([...result.current]).toEqual([["odo", 15]]));
  expect(flown).toEqual(["roll-pure-left"]);
});
