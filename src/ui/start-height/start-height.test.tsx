import { act, renderHook, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import {
  airframePresets,
  CALM_AIR,
  firstSettings,
  recipes,
  USUAL_FREEZE,
  usualErrors,
  type StartHeight,
  type StartHeightInputs,
} from "@/core";
import { createPool } from "../scatter/pool";
import { renderScreen } from "../testing/render-screen";
import { StartHeightFigure } from "./start-height-figure";
import { useStartHeight, type StartHeightState } from "./use-start-height";

jest.mock("../scatter/pool");

const inputs: StartHeightInputs = {
  recipe: recipes["flip-slow-back"],
  airframe: airframePresets["five-inch-freestyle"].airframe,
  settings: firstSettings,
  environment: CALM_AIR,
  hands: usualErrors(4),
  freeze: USUAL_FREEZE,
};
const byFreezes: StartHeight = { heightM: 9, reason: { kind: "freeze", before: "catch", lostM: 7.5, packUsed: 0 } };

/** What a worker would say: what the freezes ask for, and how much each flight of a pack loses. */
function pool(losses: (packUsed: number) => number, byFreeze: StartHeight | null = byFreezes) {
  const flown: number[] = [];
  const remote = {
    solveTrick: async () => ({ recipe: inputs.recipe, late: inputs.recipe, problem: null }),
    startHeightByFreezes: async () => byFreeze,
    heightLosses: async (_: unknown, packUsed: number, from: number, to: number) => {
      flown.push(to - from);
      return Array.from({ length: to - from }, () => losses(packUsed));
    },
  };
  jest.mocked(createPool).mockReturnValue({
    run: (job) => job(remote as never),
    warm: () => undefined,
    close: jest.fn(),
  });
  return flown;
}
const answers = (kept: StartHeight | null | "away") => {
  const sent: unknown[] = [];
  globalThis.fetch = jest.fn(async (_: unknown, init?: RequestInit) => {
    if (init?.body) sent.push(JSON.parse(String(init.body)));
    if (kept === "away") throw new TypeError("offline");
    return new Response(JSON.stringify(init?.body ? { ok: true } : kept));
  }) as typeof fetch;
  return sent;
};
const settled = async (hook: { readonly result: { readonly current: StartHeightState } }) => {
  await waitFor(() => expect(hook.result.current.kind).not.toBe("computing"), { timeout: 3000 });
  return hook.result.current;
};

it("takes the figure that came along without asking anybody", () => {
  const sent = answers(null);
  const { result } = renderHook(() => useStartHeight(inputs, { kept: byFreezes }));
  expect(result.current).toEqual({ kind: "known", startHeight: byFreezes });
  expect(globalThis.fetch).not.toHaveBeenCalled();
  expect(sent).toEqual([]);
});

it("takes the one the server keeps, and works nothing out", async () => {
  const flown = pool(() => 1);
  answers({ ...byFreezes, heightM: 8.25 });
  expect(await settled(renderHook(() => useStartHeight(inputs)))).toMatchObject({ startHeight: { heightM: 8.25 } });
  expect(flown).toEqual([]);
});

it("works it out where nobody has, a thousand flights on each pack, and has it kept; the worse of freezes and flights decides", async () => {
  const flown = pool((packUsed) => (packUsed > 0 ? 14 : 11));
  const sent = answers(null);
  const state = await settled(renderHook(() => useStartHeight(inputs)));
  expect(state).toMatchObject({
    kind: "known",
    startHeight: { reason: { kind: "scatter", lostM: 14, packUsed: expect.any(Number) } },
  });
  if (state.kind !== "known") return;
  expect(state.startHeight!.heightM).toBeGreaterThan(14);
  expect(state.startHeight!.reason.packUsed).toBeGreaterThan(0);
  expect(flown.reduce((sum, n) => sum + n, 0) % 1000).toBe(0);
  await waitFor(() => expect(sent).toMatchObject([{ startHeight: state.startHeight }]));
});

it("keeps to the freezes where the flights lose less", async () => {
  pool(() => 0.2);
  answers("away");
  // Without a network it is worked out all the same; it can only not be kept.
  expect(await settled(renderHook(() => useStartHeight(inputs)))).toEqual({ kind: "known", startHeight: byFreezes });
});

it("has none for a trick that belongs at its own height, and leaves the work to a coach's browser where asked to", async () => {
  pool(() => 1, null);
  answers(null);
  expect(await settled(renderHook(() => useStartHeight(inputs)))).toEqual({ kind: "known", startHeight: null });
  expect(await settled(renderHook(() => useStartHeight(inputs, { worksOut: false })))).toEqual({ kind: "absent" });
});

it("says why when it cannot be worked out", async () => {
  jest.mocked(createPool).mockReturnValue({
    run: () => Promise.reject(new Error("out of memory")),
    warm: () => undefined,
    close: () => undefined,
  });
  answers(null);
  const hook = renderHook(() => useStartHeight(inputs));
  expect(await settled(hook)).toEqual({ kind: "broken", why: new Error("out of memory") });
  act(() => hook.unmount());
});

describe("the figure", () => {
  const show = (state: StartHeightState) =>
    renderScreen(<StartHeightFigure state={state} recipe={inputs.recipe} freeze={USUAL_FREEZE} flown={[]} />);

  it.each([
    [{ kind: "computing", share: 0.42 }, "being worked out, 42 %"],
    [{ kind: "absent" }, "not worked out yet: it is when a coach opens this brief"],
    [{ kind: "broken", why: new Error("out of memory") }, "not worked out: out of memory"],
  ] as const)("is none before it is whole: %j", (state, text) => {
    show(state);
    expect(screen.getByRole("status")).toHaveTextContent(text);
    expect(screen.queryByRole("button")).toBeNull();
  });

  it("says what decided it: the phase that is frozen before, or the flights, and on which pack", async () => {
    const { unmount } = show({ kind: "known", startHeight: byFreezes });
    await userEvent.click(screen.getByRole("button", { name: /^Minimum start height: 9\.0\sm/ }));
    expect(screen.getByText(/^freezing before ".+" on a full pack: 7\.5\sm lost$/)).toBeVisible();
    unmount();
    const reason = { kind: "scatter", runs: 1000, lostM: 12, packUsed: 0.8 } as const;
    show({ kind: "known", startHeight: { heightM: 12.1, reason } });
    await userEvent.click(screen.getByRole("button", { name: /^Minimum start height/ }));
    expect(screen.getByText(/^1000 flights on a nearly empty pack: three lose more than 12\.0\sm$/)).toBeVisible();
  });
});
