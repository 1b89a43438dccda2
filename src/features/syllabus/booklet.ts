import type { Content } from "pdfmake/interfaces";
import type { Paper } from "@/server/files";
import { markWords, quantityText, type UnitSystem } from "@/words";
import { schoolQuestion, type Skill, type Step, type SyllabusDocument } from "@/syllabus";
import { tokens } from "@/ui/theme/tokens";

const { ink, inkSoft, rule, shoal, buoyText } = tokens.light;
const routeNames = new Map(schoolQuestion("route").sides.map(({ id, name }) => [id, name]));

/** A syllabus as a booklet of A5 pages: a contents page, then every stage with its skills and steps. */
export function bookletContent(
  document: SyllabusDocument,
  {
    squadName,
    number,
    date,
    units,
  }: { readonly squadName: string; readonly number: number; readonly date: string; readonly units: UnitSystem },
): Paper {
  const names = new Map(document.skills.flatMap(({ steps }) => steps.map(({ id, name }) => [id, name])));
  const version = number === 0 ? "built-in syllabus" : `syllabus ${number}`;
  return {
    pageSize: "A5",
    pageMargins: [34, 38, 34, 38],
    info: { title: `Syllabus, ${squadName}`, creator: "Bathygon" },
    defaultStyle: { color: ink, fontSize: 9, lineHeight: 1.15 },
    footer: {
      columns: [
        { text: `${squadName}, ${version}, ${date}`, color: inkSoft, fontSize: 7 },
        { text: "{page}", alignment: "right", font: "Numbers", fontSize: 7 },
      ],
      margin: [34, 8, 34, 0],
    },
    content: [
      { text: "Syllabus", bold: true, fontSize: 22 },
      { text: `${squadName}, ${version}`, margin: [0, 2, 0, 10] },
      {
        text: "This is advice only. Licensed instructors, local rules and local law decide.",
        color: buoyText,
        margin: [0, 0, 0, 10],
      },
      { toc: { title: { text: "Stages", bold: true, fontSize: 12 } } },
      ...document.stages.flatMap((stage, n): Content[] => {
        const skills = document.skills.filter((skill) => skill.stage === n && skill.steps.length > 0);
        if (skills.length === 0) return [];
        return [
          {
            text: `${n}  ${stage}`,
            bold: true,
            fontSize: 16,
            pageBreak: "before",
            tocItem: true,
            margin: [0, 0, 0, 6],
          },
          ...skills.flatMap((skill) => skillContent(skill, names, units)),
        ];
      }),
    ],
  };
}

function skillContent(skill: Skill, names: ReadonlyMap<string, string>, units: UnitSystem): Content[] {
  return [
    { text: skill.name, bold: true, fontSize: 12, color: shoal, margin: [0, 8, 0, 2] },
    {
      text: `Clear ground of ${quantityText(skill.roomM, "length", units, 0)} all round. ${skill.cautions.join(" ")}`,
      fontSize: 7.5,
      color: buoyText,
    },
    ...skill.steps.map((step) => stepContent(step, names, units)),
  ];
}

function stepContent(step: Step, names: ReadonlyMap<string, string>, units: UnitSystem): Content {
  const line = (word: string, text: string): Content[] =>
    text ? [{ text: [{ text: `${word}. `, bold: true }, text], margin: [0, 1, 0, 0] }] : [];
  return {
    stack: [
      {
        canvas: [{ type: "line", x1: 0, y1: 0, x2: 350, y2: 0, lineWidth: 0.5, lineColor: rule }],
        margin: [0, 5, 0, 3],
      },
      { text: step.name, bold: true, fontSize: 10.5 },
      { text: step.aim, color: inkSoft },
      { ol: [...step.drill], margin: [0, 2, 0, 2] },
      ...line("Pass mark", `${markWords(step.mark, units)}. Clean: ${step.clean}.`),
      ...line("Bail-out", step.wayOut),
      ...line("Settings", step.settings),
      ...line("Height", step.heightM === null ? "" : `begin ${quantityText(step.heightM, "length", units)} up.`),
      ...line("Needs", step.needs.map((id) => names.get(id) ?? id).join(", ")),
      ...line("Only on the route", step.routes?.map((id) => routeNames.get(id) ?? id).join(", ") ?? ""),
      ...line("Look at", step.lookAt.join("; ")),
      ...step.faults.flatMap(({ sees, cue }) =>
        line(
          sees,
          typeof cue === "string"
            ? cue
            : step.directions.map(({ id, name }) => (cue[id] ? `${name}: ${cue[id]}` : "")).join(" "),
        ),
      ),
    ],
  };
}
