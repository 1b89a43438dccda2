import type { Obstacle } from "../recipes";
import { alongAndAcross, bearingDeg, between, middleOf, type PlanPoint } from "./point";
import type { SitePlan } from "./site-plan";

/** Narrow enough for a post, and a tree's crown where nobody said, m. Ours. */
const POST_M = 0.1;
const CROWN_M = 4;
const USUAL_HEIGHT_M = 3;
/** What is farther off is not flown into, m, and no more than so many things are looked at. Ours. */
const NEAR_M = 150;
const MOST_NEAR = 80;

/**
 * What stands on a plan as obstacles of a flight that begins at a place with a heading: things, and the poles of courses. A wall, bar or gap of several
 * pieces gives one for each piece; a building is taken as wide and deep as its longer side. The nearest first; what is far off is left out.
 */
export function obstaclesOf(plan: SitePlan, start: PlanPoint, headingDeg: number): readonly Obstacle[] {
  const relative = (point: PlanPoint) => alongAndAcross(start, headingDeg, point);
  const poles = plan.courses.flatMap((course) =>
    course.poles.flatMap(({ heightM, eastM, northM }): Obstacle[] =>
      heightM === null || heightM < 0.1
        ? []
        : [{ kind: "pole", ...relative({ eastM, northM }), heightM, widthM: POST_M }],
    ),
  );
  const things = plan.features.flatMap((feature): Obstacle[] => {
    const { kind, points, widthM } = feature;
    const heightM = Math.max(0.1, feature.heightM ?? USUAL_HEIGHT_M);
    switch (kind) {
      case "post":
        return [{ kind: "pole", ...relative(points[0]), heightM, widthM: widthM ?? POST_M }];
      case "tree":
        return [{ kind: "tree", ...relative(points[0]), heightM, widthM: widthM ?? CROWN_M }];
      case "wall":
      case "bar":
      case "gap":
        return points.slice(1).map((to, i) => ({
          kind,
          ...relative(middleOf([points[i], to])),
          heightM,
          widthM: Math.max(0.05, between(points[i], to)),
          // An obstacle stands across the heading: its length lies at right angles to it.
          turnedDeg: (((bearingDeg(points[i], to) - headingDeg - 90) % 180) + 180) % 180,
        }));
      case "building": {
        const sides = points.map((point, i) => between(point, points[(i + 1) % points.length]));
        const longest = sides.indexOf(Math.max(...sides));
        const turned = bearingDeg(points[longest], points[(longest + 1) % points.length]) - headingDeg - 90;
        return [
          {
            kind: "building",
            ...relative(middleOf(points)),
            heightM,
            widthM: Math.min(200, sides[longest]),
            turnedDeg: ((turned % 180) + 180) % 180,
          },
        ];
      }
      default:
        return [];
    }
  });
  const off = ({ alongM, acrossM }: Obstacle) => Math.hypot(alongM, acrossM);
  return [...things, ...poles]
    .filter((one) => off(one) - 0.5 * one.widthM < NEAR_M)
    .sort((a, b) => off(a) - off(b))
    .slice(0, MOST_NEAR);
}
