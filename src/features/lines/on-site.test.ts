import { EMPTY_PLAN, requireLine, recipes, type PlanFeature, type SitePlan } from "@/core";
import { anchorsOnPlan, standingAbout, turnedAnchors } from "./on-site";

const thing = (
  kind: PlanFeature["kind"],
  name: string,
  ...points: readonly (readonly [number, number])[]
): PlanFeature => ({
  ...{ id: `${kind} ${name}`, kind, name, points: points.map(([eastM, northM]) => ({ eastM, northM })) },
  ...{ heightM: 4, widthM: kind === "post" ? 0.2 : null, ground: null, fetchable: true },
});
const plan: SitePlan = {
  ...EMPTY_PLAN,
  features: [
    thing("stand", "", [10, 0]),
    thing("post", "Old Pear (tall)", [10, 30]),
    thing("post", "", [40, 0]),
    thing("wall", "Nordmauer é", [5, 50], [15, 50]),
    thing("building", "tower", [0, 60], [8, 60], [8, 68], [0, 68]),
  ],
};

it("offers what stands at the site by names that a line may use, each where it stands for the heading", () => {
  const north = anchorsOnPlan(plan, 0);
  expect(north.map(({ id }) => id)).toEqual(["old-pear-tall", "pole", "nordmauer-e"]);
  expect(north[0].obstacle).toMatchObject({ kind: "pole", alongM: 30, acrossM: expect.closeTo(0, 9), widthM: 0.2 });
  const [first] = anchorsOnPlan(plan, 90);
  expect(first.obstacle).toMatchObject({ alongM: expect.closeTo(0, 9), acrossM: expect.closeTo(-30, 9) });
  // The plan's up may be another way than north.
  expect(anchorsOnPlan({ ...plan, northDeg: 90 }, 90)[0].obstacle).toMatchObject({ alongM: 30 });
  const item = { kind: "trick", recipe: "hang-right", anchor: { id: north[0].id, how: "past" } } as const;
  const { start } = recipes["hang-right"];
  expect(() => requireLine({ id: "l", label: "", start, headingDeg: 0, items: [item], anchors: north })).not.toThrow();
});

it("turns a line about the things of the plan, which stay; its own things go with it", () => {
  const own = { id: "bar", obstacle: { kind: "bar", alongM: 20, acrossM: 0, heightM: 3, widthM: 4 } } as const;
  const [pear] = anchorsOnPlan(plan, 0);
  const turned = turnedAnchors([pear, own], plan, 0, 90);
  expect(turned[0].obstacle).toMatchObject({ alongM: expect.closeTo(0, 9), acrossM: expect.closeTo(-30, 9) });
  expect(turned[1]).toBe(own);
  // One that was moved by hand is the line's own from then on.
  const moved = { ...pear, obstacle: { ...pear.obstacle, alongM: 25 } };
  expect(turnedAnchors([moved], plan, 0, 90)).toEqual([moved]);
});

it("puts what stands there in the way of the line, once", () => {
  const all = standingAbout(plan, 0, []);
  expect(all.map(({ kind }) => kind).sort()).toEqual(["building", "pole", "pole", "wall"]);
  expect(standingAbout(plan, 0, anchorsOnPlan(plan, 0)).map(({ kind }) => kind)).toEqual(["building"]);
});
