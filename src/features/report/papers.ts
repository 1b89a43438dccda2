import { dayText } from "@/core";
import { adviceWords, evidenceWords, percent, type Listener } from "@/words";
import type { Content } from "pdfmake/interfaces";
import type { Paper } from "@/server/files";
import { directionNames, findStep, stepName, type Glance, type Syllabus } from "@/syllabus";
import { tokens } from "@/ui/theme/tokens";
import type { Season } from "./load";

const { ink, inkSoft, rule, shoal } = tokens.light;

const sheet = (title: string, content: readonly Content[], landscape = false): Paper => ({
  pageSize: "A4",
  pageOrientation: landscape ? "landscape" : "portrait",
  pageMargins: [42, 42, 42, 46],
  info: { title, creator: "Bathygon" },
  defaultStyle: { color: ink, fontSize: 9.5 },
  footer: { text: `${title}   {page}/{pages}`, color: inkSoft, fontSize: 7.5, margin: [42, 12, 42, 0] },
  ruled: { ruled: { colour: rule, widthPt: 0.6, paddingPt: [2, 6, 2, 2] } },
  content: [...content],
});

function table(
  head: readonly string[],
  rows: readonly (readonly (string | number)[])[],
  widths: readonly string[],
): Content {
  return {
    layout: "ruled",
    table: {
      headerRows: 1,
      widths: [...widths],
      body: [
        head.map((text) => ({ text, color: inkSoft, fontSize: 8 })),
        ...rows.map((row) =>
          row.map((cell) => (typeof cell === "number" ? { text: String(cell), font: "Numbers", fontSize: 8.5 } : cell)),
        ),
      ],
    },
    margin: [0, 2, 0, 8],
  };
}

const heading = (text: string): Content => ({ text, bold: true, fontSize: 12.5, margin: [0, 10, 0, 2] });

/** A pilot's season on paper. */
export function seasonPaper(season: Season, syllabus: Syllabus, to: Listener): Paper {
  const day = (atMs: number) => dayText(season.timeZone, atMs);
  const { pilot, figures, milestones, setups, current, reviewsDue, sinceMs, nowMs } = season;
  const name = (id: string) => stepName(syllabus, id);
  return sheet(`${pilot.name}, ${day(sinceMs)} to ${day(nowMs)}`, [
    { text: pilot.name, bold: true, fontSize: 20 },
    { text: `Season from ${day(sinceMs)} to ${day(nowMs)}`, color: inkSoft, margin: [0, 0, 0, 6] },
    `${figures.attempts} attempts on ${figures.daysFlown} days, ${milestones.length} steps signed off, ${setups.length} setups saved.`,
    ...figures.gaps.map(({ fromMs, days }): Content => `No flight for ${days} days from ${day(fromMs)}.`),
    heading("Now"),
    current
      ? `${name(current.stepId)}. ${adviceWords(current.advice, current.stepId, syllabus, to)}`
      : "Every step of the way is signed off.",
    ...(reviewsDue.length > 0
      ? [`Review due: ${reviewsDue.map(({ stepId }) => name(stepId).toLowerCase()).join(", ")}.`]
      : []),
    heading("Flown"),
    figures.lines.length === 0
      ? "Nothing in this time."
      : table(
          ["Step", "", "clean", "of", "90\u202f% interval", "earlier, later half", "rough", "bailed", "crashed"],
          figures.lines.map((line) => [
            name(line.stepId),
            directionName(syllabus, line.stepId, line.direction),
            line.counts.clean,
            line.attempts,
            `${Math.round(100 * line.low)}–${percent(line.high)}`,
            line.halves ? `${percent(line.halves[0])}, ${percent(line.halves[1])}` : "",
            line.counts.rough,
            line.counts.bailed,
            line.counts.crashed,
          ]),
          ["*", "auto", "auto", "auto", "auto", "auto", "auto", "auto", "auto"],
        ),
    heading("Signed off"),
    milestones.length === 0
      ? "Nothing in this time."
      : table(
          ["Day", "Step", "By", "On what"],
          milestones.map((one) => [
            day(one.signedAtMs),
            name(one.stepId),
            one.coachName,
            evidenceWords(one.evidence, one.stepId, syllabus, to),
          ]),
          ["auto", "auto", "auto", "*"],
        ),
    ...(setups.length > 0
      ? [
          heading("Setups"),
          table(
            ["Day", "Aircraft", "Number", "By", "Why"],
            setups.map((one) => [day(one.createdAtMs), one.aircraftName, one.number, one.coachName, one.reason]),
            ["auto", "auto", "auto", "auto", "*"],
          ),
        ]
      : []),
    {
      text: "This is advice only. Licensed instructors, local rules and local law decide.",
      color: inkSoft,
      fontSize: 8,
    },
  ]);
}

function directionName(syllabus: Syllabus, stepId: string, direction: string): string {
  const step = findStep(syllabus, stepId);
  if (step?.directions.length === 1) return "";
  return (step && directionNames(step)[direction]) ?? direction;
}

/** One line of a squad's overview, as it is printed and as it goes into a table. */
export interface OverviewRow {
  readonly name: string;
  readonly glance: Glance;
  readonly syllabus: Syllabus;
  readonly reasons: readonly { readonly text: string }[];
}

/** A squad on paper, most attention first. */
export function overviewPaper(
  squadName: string,
  rows: readonly OverviewRow[],
  { nowMs, timeZone, to }: { readonly nowMs: number; readonly timeZone: string; readonly to: Listener },
): Paper {
  const day = (atMs: number) => dayText(timeZone, atMs);
  return sheet(
    `${squadName}, ${day(nowMs)}`,
    [
      { text: squadName, bold: true, fontSize: 20 },
      { text: `Overview of ${day(nowMs)}; most attention first`, color: inkSoft, margin: [0, 0, 0, 6] },
      table(
        ["Pilot", "On", "signed off", "of", "last flight", "Needs attention", "Advice"],
        rows.map(({ name, glance, syllabus, reasons }) => [
          name,
          glance.current ? stepName(syllabus, glance.current.stepId) : "all signed off",
          glance.signedOff,
          glance.steps,
          glance.lastFlownMs === null ? "not yet" : day(glance.lastFlownMs),
          reasons.map(({ text }) => text).join("; "),
          glance.current ? adviceWords(glance.current.advice, glance.current.stepId, syllabus, to) : "",
        ]),
        ["auto", "auto", "auto", "auto", "auto", "*", "*"],
      ),
    ],
    true,
  );
}

/** The certificate of a stage: every step of the way signed off, by whom and when. */
export function certificatePaper(
  pilotName: string,
  stageName: string,
  steps: readonly { readonly name: string; readonly coachName: string; readonly signedAtMs: number }[],
  timeZone: string,
): Paper {
  const day = (atMs: number) => dayText(timeZone, atMs);
  const last = Math.max(...steps.map(({ signedAtMs }) => signedAtMs));
  return {
    pageSize: "A4",
    pageOrientation: "landscape",
    pageMargins: [70, 60, 70, 50],
    info: { title: `${stageName}, ${pilotName}`, creator: "Bathygon" },
    defaultStyle: { color: ink, fontSize: 10 },
    background: { svg: soundingFrame, width: 842 },
    content: [
      { text: stageName, bold: true, fontSize: 30, color: shoal },
      { text: "completed by", margin: [0, 14, 0, 2], color: inkSoft },
      { text: pilotName, bold: true, fontSize: 24 },
      { text: `on ${day(last)}`, margin: [0, 2, 0, 18], color: inkSoft },
      {
        columns: columnsOf(steps, 3).map((own) => ({
          stack: own.map(({ name, coachName, signedAtMs }) => ({
            text: [
              { text: `${name}  `, bold: true },
              { text: `${day(signedAtMs)}, ${coachName}`, color: inkSoft, fontSize: 8 },
            ],
            margin: [0, 0, 0, 4],
          })),
        })),
        columnGap: 20,
      },
      {
        text: "A record of practice with a coach. It is no licence: local rules and licensed instruction decide what may be flown where.",
        fontSize: 8,
        color: inkSoft,
        margin: [0, 24, 0, 0],
      },
    ],
  };
}

function columnsOf<T>(list: readonly T[], count: number): T[][] {
  const length = Math.ceil(list.length / count);
  return Array.from({ length: count }, (_, i) => list.slice(i * length, (i + 1) * length)).filter(
    (part) => part.length > 0,
  );
}

/** Contour lines along the lower edge. */
const soundingFrame = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 842 595">${tokens.light.depths
  .slice(0, 6)
  .map((colour, i) => {
    const top = 440 + i * 26;
    const bends = Array.from({ length: 22 }, (_, n) => {
      const x = n * 42;
      return `${x} ${(top + 9 * Math.sin(n * 0.9 + i * 1.4)).toFixed(1)}`;
    });
    return `<path d="M0 595L${bends.join("L")}L842 595Z" fill="${colour}" opacity="0.55"/>`;
  })
  .join("")}</svg>`;
