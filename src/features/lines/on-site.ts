import { obstaclesOf, standOf, type Anchor, type Obstacle, type SitePlan } from "@/core";

/** Where a line lies on the plan of its site: begun at the pilot stand. `headingDeg` is that of the line, against north. */
export const placingOf = (plan: SitePlan, headingDeg: number) => ({
  at: standOf(plan),
  headingDeg: headingDeg - plan.northDeg,
});

/** Closer than this two things are the same, m. Ours. */
const SAME_M = 0.2;

/** What stands at the site, along the line of entry, without what the line has among its own things already. */
export function standingAbout(plan: SitePlan, headingDeg: number, anchors: readonly Anchor[]): readonly Obstacle[] {
  const { at, headingDeg: onPlan } = placingOf(plan, headingDeg);
  return obstaclesOf(plan, at, onPlan).filter(
    (one) =>
      !anchors.some(
        ({ obstacle }) =>
          obstacle.kind === one.kind &&
          Math.hypot(obstacle.alongM - one.alongM, obstacle.acrossM - one.acrossM) < SAME_M,
      ),
  );
}

/** A name as a line calls its things: small letters, figures and hyphens; empty for one that has none. */
const keyOf = (name: string): string =>
  name
    .normalize("NFKD")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+/, "")
    .slice(0, 36)
    .replace(/-+$/, "");

/** Things of the plan that a line can be flown at, as they stand for a heading, each by its name or its kind. */
export function anchorsOnPlan(plan: SitePlan, headingDeg: number): readonly Anchor[] {
  const { at, headingDeg: onPlan } = placingOf(plan, headingDeg);
  const taken = new Set<string>();
  return plan.features.flatMap((feature) => {
    const [obstacle] = obstaclesOf({ ...plan, features: [feature], courses: [] }, at, onPlan);
    if (!obstacle || obstacle.kind === "building") return [];
    const name = keyOf(feature.name) || obstacle.kind;
    let id = name;
    for (let n = 2; taken.has(id); n++) id = `${name}-${n}`;
    taken.add(id);
    return [{ id, obstacle }];
  });
}

/** The things of a line after it was turned: those of the plan stay where they stand, which is elsewhere along the line. */
export function turnedAnchors(
  anchors: readonly Anchor[],
  plan: SitePlan,
  fromDeg: number,
  toDeg: number,
): readonly Anchor[] {
  const [before, after] = [anchorsOnPlan(plan, fromDeg), anchorsOnPlan(plan, toDeg)];
  return anchors.map((anchor) => {
    const i = before.findIndex(
      ({ id, obstacle }) =>
        id === anchor.id &&
        Math.hypot(obstacle.alongM - anchor.obstacle.alongM, obstacle.acrossM - anchor.obstacle.acrossM) < SAME_M,
    );
    const turned = after.find(({ id }) => i >= 0 && id === anchor.id);
    return turned ?? anchor;
  });
}
