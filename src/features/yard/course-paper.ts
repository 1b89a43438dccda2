import type { Site } from "@/contract";
import { between, inSteps, settingOut, STEP_M, TAPE_TOLERANCE_M, type PlannedCourse, type SitePlan } from "@/core";
import type { Paper } from "@/server/files";
import { tokens } from "@/ui/theme/tokens";
import { courseNames, numeral, quantityText, type UnitSystem } from "@/words";
import { PLAN_WIDTH, planSvg } from "./plan-svg";

const { ink, inkSoft, rule, buoyText } = tokens.light;

/** A course on one page: the plan, the poles in the order of walking with two tapes and steps, the checks, and the site's own rules. */
export function coursePaper(site: Site, plan: SitePlan, course: PlannedCourse, units: UnitSystem): Paper {
  const length = (m: number) => quantityText(m, "length", units, 2);
  const { pegs, poles } = course;
  const rows = pegs ? settingOut(poles, { pegs }) : [];
  const head = ["pole", "from A", "from B", "side", "steps", "check", "stands"];
  const sideOf = { left: "left", right: "right", on: "in line" };
  const worst = Math.max(0, ...rows.map(({ worstM }) => worstM));
  const name = course.name || courseNames[course.kind];
  return {
    pageSize: "A4",
    pageMargins: [42, 34, 42, 34],
    info: { title: `${site.name}: ${name}`, creator: "Bathygon" },
    defaultStyle: { color: ink, fontSize: 9 },
    ruled: { ruled: { colour: rule, widthPt: 0.5, paddingPt: [2, 5, 2, 0] } },
    content: [
      { text: site.name, bold: true, fontSize: 20 },
      {
        text: [
          name,
          `${poles.length} poles`,
          site.surface,
          site.ceilingM === null ? "" : `not above ${quantityText(site.ceilingM, "length", units, 0)}`,
        ]
          .filter(Boolean)
          .join(" · "),
        color: inkSoft,
        margin: [0, 0, 0, 6],
      },
      { svg: planSvg(plan, course, units), width: PLAN_WIDTH },
      pegs
        ? {
            text: `Peg A, then peg B ${length(between(...pegs))} away. Two tapes for each pole, in this order; sides as seen from A to B.`,
            margin: [0, 8, 0, 4],
          }
        : { text: "This course has no pegs to be set out from.", margin: [0, 8, 0, 4] },
      {
        layout: "ruled",
        table: {
          headerRows: 1,
          widths: [34, "auto", "auto", 40, "auto", "auto", "*"],
          body: [
            head.map((text) => ({ text, color: inkSoft, fontSize: 8 })),
            ...rows.map((row) => [
              { text: row.pole, bold: true },
              { text: length(row.fromAM), font: "Numbers" },
              { text: length(row.fromBM), font: "Numbers" },
              sideOf[row.side],
              {
                text: `${numeral(inSteps(row.fromAM, STEP_M), 1)} / ${numeral(inSteps(row.fromBM, STEP_M), 1)}`,
                font: "Numbers",
              },
              { text: `${length(row.checkM)} to ${row.checkTo}` },
              "……",
            ]),
          ],
        },
      },
      ...(Number.isFinite(worst)
        ? [
            {
              text: `A tape off by ${quantityText(TAPE_TOLERANCE_M, "length", units)} moves a pole by at most ${length(worst)}. Steps are of ${length(STEP_M)}.`,
              color: inkSoft,
              margin: [0, 4, 0, 8] as [number, number, number, number],
            },
          ]
        : []),
      ...[
        ["The site's rules", site.rules],
        ["Hazards", site.hazards],
        ["Ask", site.askWhom],
      ]
        .filter(([, text]) => text !== "")
        .map(([what, text]) => ({
          text: [{ text: `${what}. `, bold: true }, text],
          color: what === "Hazards" ? buoyText : ink,
        })),
      {
        text: "The site's own rules and local law come before anything on this page, and licensed instruction before its advice. Nobody stands within the throw of a dead aircraft.",
        color: inkSoft,
        fontSize: 8,
        margin: [0, 6, 0, 0],
      },
    ],
  };
}
