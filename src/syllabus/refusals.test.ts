import { builtInSyllabus, siteRefusal, skillOf, type SiteLimits, type Step } from ".";

const step = builtInSyllabus.stepById.get("hang")!;
const skill = skillOf(builtInSyllabus, step);
const site = (change: Partial<SiteLimits> = {}): SiteLimits => ({
  name: "Store yard",
  roomM: skill.roomM,
  ceilingM: null,
  ...change,
});
const begun = (heightM: number | null): Step => ({ ...step, heightM });

it("a site with just the room and no known limit refuses nothing, however high the trick goes", () => {
  expect(siteRefusal(step, skill, site())).toBeNull();
  expect(siteRefusal(step, skill, site(), 500)).toBeNull();
});

it("a metre too little room is refused with both numbers, before any height is looked at", () => {
  const small = site({ roomM: skill.roomM - 1, ceilingM: 1 });
  expect(siteRefusal(step, skill, small, 50)).toEqual({
    kind: "too-little-room",
    step: "Hang",
    site: "Store yard",
    wantsM: skill.roomM,
    hasM: skill.roomM - 1,
  });
});

it("a trick flown in the model is held against the limit by its highest point, at the limit it may be", () => {
  const low = site({ ceilingM: 12 });
  expect(siteRefusal(begun(10), skill, low, 12)).toBeNull();
  expect(siteRefusal(begun(10), skill, low, 12.1)).toEqual({
    kind: "goes-too-high",
    step: "Hang",
    site: "Store yard",
    peakM: 12.1,
    limitM: 12,
  });
});

it("one that was not flown is held against it by the height it is begun at", () => {
  const low = site({ ceilingM: 8 });
  expect(siteRefusal(begun(8), skill, low)).toBeNull();
  expect(siteRefusal(begun(9), skill, low)).toMatchObject({ kind: "begun-too-high", heightM: 9, limitM: 8 });
  expect(siteRefusal(begun(null), skill, low)).toBeNull();
});

it("every step of the built-in syllabus is refused on a yard of one metre, and none on a field without end", () => {
  for (const one of builtInSyllabus.steps) {
    const own = skillOf(builtInSyllabus, one);
    expect(siteRefusal(one, own, site({ roomM: 1, ceilingM: 1 }))).toMatchObject({ step: one.name });
    expect(siteRefusal(one, own, site({ roomM: 1e4 }), 1e3)).toBeNull();
  }
});
