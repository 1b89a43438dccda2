import fc from "fast-check";
import { turnsWithin, airframePresets, firstSettings, STANDARD_DAY, airOfDay, topSpeed, type BlockKind } from "@/core";
import { builtInSyllabus, type ReasonedOffer } from "@/syllabus";
import type { Candidate } from "./load";
import { limitsBroken, planSession, slotsFit, slotsFor, windRefusal, type Flier, type PlanFrame } from "./planning";

const five = airframePresets["five-inch-freestyle"].airframe;
const offer = (kind: BlockKind, stepId: string | null, more: Partial<ReasonedOffer> = {}): ReasonedOffer => ({
  kind,
  stepId,
  worth: kind === "main" ? [10, 9, 8, 7] : [3],
  isNew: false,
  reason: { kind: "after", stepId: stepId ?? "" },
  firstDirection: null,
  simulatorFirst: false,
  ...more,
});
const candidate = (
  id: string,
  offers: readonly ReasonedOffer[],
  known: readonly string[] = ["flip-slow"],
): Candidate => ({
  id,
  name: id,
  squadId: "squad",
  squadName: null,
  currentStepId: "flip-slow",
  simulatorFirst: [],
  known,
  offers,
  setups: [
    { id: "setup", name: "Plank · setup 2", setupId: "setup", loadId: null, airframe: five, settings: firstSettings },
  ],
  school: {},
  own: [],
  reactionS: null,
  lines: [],
  checkFirst: [],
});
const flier = (id: string, packs: number, offers: readonly ReasonedOffer[], known?: readonly string[]): Flier => ({
  one: candidate(id, offers, known),
  packs,
  setupId: "setup",
  syllabus: builtInSyllabus,
});
const frame: PlanFrame = {
  minutes: 60,
  packMin: 4,
  changeMin: 3,
  spots: 1,
  observers: 1,
  newSteps: 1,
  windMps: 0,
};
const usual = [offer("warm-up", "flip-slow"), offer("main", "flip-ease-quarter"), offer("free", null, { worth: [1] })];
const nothingAgainst = () => null;

describe("a plan", () => {
  it("gives everybody blocks in the order flown, each with its reason, and turns for as many packs as they take", () => {
    const { blocks, slots, left } = planSession(
      [flier("odo", 4, usual), flier("ida", 2, usual)],
      frame,
      nothingAgainst,
    );
    for (const own of blocks.values()) {
      expect(own.map(({ kind }) => kind)).toEqual([...own.map(({ kind }) => kind)].sort(inOrder));
      for (const { stepId, reason } of own) expect(reason).toEqual({ kind: "after", stepId: stepId ?? "" });
    }
    const minutes = (id: string) => blocks.get(id)!.reduce((sum, one) => sum + one.minutes, 0);
    expect(minutes("ida")).toBeLessThanOrEqual(2 * frame.packMin);
    expect(slots.flat().filter((id) => id === "odo")).toHaveLength(Math.ceil(minutes("odo") / frame.packMin));
    expect(left.every(({ because }) => ["no-time", "no-pack"].includes(because.kind))).toBe(true);
  });

  it("leaves out what is refused, for the reason of the refusal", () => {
    const why = { kind: "simulator-first", step: "Slow flip" } as const;
    const refuse = (_: Flier, { stepId }: ReasonedOffer) => (stepId === "flip-ease-quarter" ? why : null);
    const { blocks, left } = planSession([flier("odo", 4, usual)], frame, refuse);
    expect(blocks.get("odo")!.map(({ stepId }) => stepId)).not.toContain("flip-ease-quarter");
    expect(left).toContainEqual({ pilotId: "odo", because: why });
  });

  it("gives ground school no packs, no turns and no wind", () => {
    const ground = [offer("main", "sticks", { isNew: true })];
    const refuse = () => ({ kind: "new-in-wind", step: "", mostMps: 6, windMps: 9 }) as const;
    const { blocks, slots, left } = planSession([flier("odo", 0, ground, [])], { ...frame, windMps: 9 }, refuse);
    expect(blocks.get("odo")!.map(({ stepId, minutes }) => [stepId, minutes])).toEqual([["sticks", 10]]);
    expect([slots, left]).toEqual([[], []]);
    expect(limitsBroken([flier("odo", 0, ground, ["sticks"])], { blocks, slots }, frame)).toEqual([]);
  });

  it("offers no flying as one likes in a wind in which a step is refused", () => {
    const refuse = (_: Flier, { stepId }: ReasonedOffer) =>
      stepId === "flip-ease-quarter" ? ({ kind: "new-in-wind", step: "Flip", mostMps: 6, windMps: 7 } as const) : null;
    const { blocks, left } = planSession([flier("odo", 4, usual)], { ...frame, windMps: 7 }, refuse);
    expect(blocks.get("odo")!.map(({ kind }) => kind)).toEqual(["warm-up"]);
    expect(left.map(({ because }) => because.kind)).toEqual(["new-in-wind", "free-in-wind"]);
  });

  it("takes on no more new steps than the limit, and says which wait", () => {
    const fresh = ["roll-pure", "split-s", "hang"].map((id) => offer("main", id, { isNew: true }));
    const { blocks, left } = planSession([flier("odo", 8, fresh, [])], frame, nothingAgainst);
    expect(new Set(blocks.get("odo")!.map(({ stepId }) => stepId)).size).toBe(1);
    expect(left.filter(({ because }) => because.kind === "new-steps" && because.most === 1)).toHaveLength(2);
  });

  it("for any pilots, packs and hours keeps to the time, the packs and one turn at a time for each pilot", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 10, max: 180 }),
        fc.integer({ min: 1, max: 3 }),
        (packs, minutes, spots) => {
          const fliers = packs.map((count, i) => flier(`p${i}`, count, usual));
          const here = { ...frame, minutes, spots, observers: spots };
          const { blocks, slots } = planSession(fliers, here, nothingAgainst);
          expect(limitsBroken(fliers, { blocks, slots }, here)).toEqual([]);
          expect(slotsFit(slots, fliers, blocks, here)).toBe(true);
          expect(turnsWithin(minutes, slots, here)).toBe(slots.length);
        },
      ),
      { numRuns: 60 },
    );
  });
});

const kinds: readonly BlockKind[] = ["warm-up", "main", "review", "free"];
const inOrder = (a: BlockKind, b: BlockKind) => kinds.indexOf(a) - kinds.indexOf(b);

describe("a plan changed by hand", () => {
  const block = (stepId: string | null, minutes: number) =>
    ({ kind: "main", stepId, minutes, firstDirection: null, reason: null }) as const;

  it("says which limit it breaks, for whom and by how much", () => {
    const odo = flier("Odo Fenn", 1, usual);
    const blocks = new Map([["Odo Fenn", [block("roll-pure", 6), block("split-s", 6)]]]);
    const slots = slotsFor([odo], blocks, frame);
    expect(slots).toHaveLength(3);
    expect(limitsBroken([odo], { blocks, slots }, { ...frame, minutes: 12 })).toEqual([
      { kind: "new-steps", pilot: "Odo Fenn", steps: ["Pure roll", "Split-S"], most: 1 },
      { kind: "packs", pilot: "Odo Fenn", wanted: 3, charged: 1 },
      { kind: "turns", turns: 3, fit: 2 },
    ]);
    const twice = [["Odo Fenn", "Odo Fenn"]];
    expect(limitsBroken([odo], { blocks: new Map(), slots: twice }, frame)).toEqual([
      { kind: "at-once", most: 1 },
      { kind: "twice-in-a-turn" },
    ]);
  });
});

describe("wind", () => {
  const odo = flier("odo", 4, usual);
  const inWind = (windMps: number, isNew = false) => windRefusal(odo, "Slow flip", isNew, { windMps });

  it("begins nothing new in more than 6 m/s, and stops nobody who knows the step", () => {
    expect(inWind(6, true)).toBeNull();
    expect(inWind(6.5, true)).toEqual({ kind: "new-in-wind", step: "Slow flip", mostMps: 6, windMps: 6.5 });
    expect(inWind(6.5)).toBeNull();
  });

  it("refuses a wind of more than a third of the aircraft's top speed, with both numbers; less of it in a calm", () => {
    const { speedMps } = topSpeed(five, airOfDay(STANDARD_DAY));
    const third = speedMps / 3;
    expect(inWind(Math.floor(third))).toBeNull();
    const refused = inWind(Math.ceil(third) + 1)!;
    expect(refused).toMatchObject({
      kind: "too-much-wind",
      windMps: Math.ceil(third) + 1,
      aircraft: "Plank · setup 2",
    });
    expect(refused).toHaveProperty("topMps", expect.closeTo(speedMps, 6));
  });
});

it("counts the coach's demonstration as a turn, not as a pack of the pilot", () => {
  const one = flier("odo", 1, usual);
  const block = (kind: BlockKind) => ({
    kind,
    stepId: "flip-slow",
    minutes: 4,
    firstDirection: null,
    reason: null,
  });
  const blocks = new Map([["odo", [block("show"), block("main")]]]);
  const slots = slotsFor([one], blocks, frame);
  expect(slots).toEqual([["odo"], ["odo"]]);
  expect(limitsBroken([one], { blocks, slots }, frame)).toEqual([]);
  const twice = new Map([["odo", [block("show"), block("main"), block("main")]]]);
  expect(limitsBroken([one], { blocks: twice, slots }, frame)).toEqual([
    { kind: "packs", pilot: "odo", wanted: 2, charged: 1 },
  ]);
});
