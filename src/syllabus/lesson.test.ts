import { builtInSyllabus, findStep, lessonOf } from ".";

const slowFlip = findStep(builtInSyllabus, "flip-slow")!;
const tries = (direction: string, outcomes: string, faults: readonly string[] = []) =>
  [...outcomes].map((one, n) => ({
    direction,
    outcome: one === "c" ? ("clean" as const) : ("rough" as const),
    faults,
    atMs: n * 20_000,
    pack: 1,
  }));
const lesson = (change: Partial<Parameters<typeof lessonOf>[1]> = {}) =>
  lessonOf(slowFlip, { minutes: 8, firstDirection: "back", demonstrated: false, flown: [], ...change });
const sets = (parts: ReturnType<typeof lesson>) => parts.flatMap((part) => (part.kind === "tries" ? part : []));

it("says the aim and has it said back before short sets, the directions in turn from the one asked for", () => {
  const parts = lesson();
  expect(parts.map(({ kind }) => kind).filter((kind) => kind !== "tries")).toEqual(["aim", "say-back", "close"]);
  // 8 minutes at the usual half minute a try, in sets of the four that the mark looks at.
  expect(sets(parts).map(({ direction, wanted }) => [direction.id, wanted])).toEqual([
    ["back", 4],
    ["front", 4],
    ["back", 4],
    ["front", 4],
  ]);
  expect(parts[0].state).toBe("now");
  expect(lesson({ demonstrated: true })[1].kind).toBe("show");
  // However short it is, no direction is left out.
  expect(sets(lesson({ minutes: 0 }))).toHaveLength(2);
});

it("goes on with the taps, says the fault seen most, and closes when the sets are flown", () => {
  const flown = [...tries("back", "crcc", ["late-centre"]), ...tries("front", "c")];
  const parts = lesson({ minutes: 4, flown });
  expect(parts.map(({ kind, state }) => `${kind} ${state}`).slice(0, 4)).toEqual([
    "aim done",
    "say-back done",
    "tries done",
    "tries now",
  ]);
  expect(sets(parts)[0]).toMatchObject({ flown: 4, clean: 3 });
  expect(parts.at(-1)!.state).toBe("to-come");
  const fault = slowFlip.faults[0];
  const seen = lesson({ flown: tries("front", "rr", [fault.id]) }).find(({ kind }) => kind === "mend");
  expect(seen).toMatchObject({ fault, times: 2, direction: "front" });
  const all = [...tries("back", "cccc"), ...tries("front", "cccc")];
  expect(lesson({ minutes: 1, flown: all }).at(-1)!.state).toBe("now");
});
