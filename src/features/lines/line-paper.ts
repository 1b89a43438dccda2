import type { Content } from "pdfmake/interfaces";
import type { LineItem } from "@/core";
import type { LineDocument, LineSheet, SheetState } from "@/contract";
import type { Paper } from "@/server/files";
import { tokens } from "@/ui/theme/tokens";
import { capital, headingText, lineItemName, percent, quantityText, styleNames, type UnitSystem } from "@/words";
import { PAPER_WIDTH, planSvg, profileSvg, sticksSvg } from "./line-drawings";
import { trickNumbers } from "./numbered";

const { ink, inkSoft, rule, buoyText } = tokens.light;

/** A line on one page: its height over the way, the plan, every item with how it is entered and left and its way out, and the sticks over time. */
export function linePaper({ name, style, line }: LineDocument, sheet: LineSheet, units: UnitSystem): Paper {
  const { figures, siteName, ceilingM, version, pilotName, aircraftName } = sheet;
  const length = (m: number | null) => quantityText(m, "length", units);
  const facts: readonly (readonly [string, string])[] = [
    ["Minimum start height", length(figures.startHeightM)],
    ["Begins at", length(line.entryHeightM ?? null)],
    ["Lowest, highest", `${length(figures.lowestM)}, ${length(figures.highestM)}`],
    ["Room along, across", `${length(figures.roomAlongM)}, ${length(figures.roomAcrossM)}`],
    ["Length", length(figures.lengthM)],
    ["Time", quantityText(sheet.samples.timeS.at(-1)!, "time", units, 1)],
    ...(figures.packShare === null ? [] : ([["Of a pack", percent(figures.packShare)]] as const)),
    ...(style ? ([["Style", styleNames[style]]] as const) : []),
    ...(ceilingM === null ? [] : ([["Site limit", length(ceilingM)]] as const)),
  ];
  return {
    pageSize: "A4",
    pageMargins: [42, 34, 42, 34],
    info: { title: name, creator: "Bathygon" },
    defaultStyle: { color: ink, fontSize: 9 },
    ruled: { ruled: { colour: rule, widthPt: 0.5, paddingPt: [2, 5, 2, 0] } },
    content: [
      { text: name, bold: true, fontSize: 20 },
      {
        text: [version === null ? "not kept yet" : `version ${version}`, `for ${pilotName}`, aircraftName, siteName]
          .filter(Boolean)
          .join(" · "),
        color: inkSoft,
        margin: [0, 0, 0, 4],
      },
      { svg: profileSvg(line.items, sheet, units), width: PAPER_WIDTH },
      itemTable(line.items, sheet, units),
      {
        columns: [
          { svg: planSvg(line, sheet, units), width: 250 },
          {
            layout: "ruled",
            table: { widths: ["*", "auto"], body: facts.map(([what, figure]) => [what, { text: figure, bold: true }]) },
          },
        ],
        columnGap: 20,
      },
      { text: "Sticks over time", bold: true, fontSize: 11, margin: [0, 6, 0, 1] },
      { svg: sticksSvg(line.items, sheet), width: PAPER_WIDTH },
      {
        text: "Worked out in a flight model: fly it high first, with an observer beside you. Local rules and licensed instruction come before anything on this page.",
        color: inkSoft,
        fontSize: 8,
        margin: [0, 4, 0, 0],
      },
    ],
  };
}

function itemTable(asked: readonly LineItem[], { items }: LineSheet, units: UnitSystem): Content {
  const numbers = trickNumbers(asked);
  const state = ({ heightM, speedMps, headingDeg }: SheetState) =>
    `${quantityText(heightM, "length", units)} · ${quantityText(speedMps, "speed", units, 0)} · ${headingText(headingDeg)}`;
  const wayOut = ({ lastS, lastHeightM, carryOnAt }: LineSheet["items"][number], i: number) => {
    if (numbers[i] === null) return "";
    const out =
      lastS === null
        ? "level and climb at any time"
        : `by ${quantityText(lastS, "time", units)} into it, ${quantityText(lastHeightM, "length", units)} up`;
    if (carryOnAt === null) return i === asked.length - 1 ? out : `${out}; the line is over`;
    return `${out}; on at ${numbers[carryOnAt] ?? lineItemName(asked[carryOnAt], units)}`;
  };
  return {
    layout: "ruled",
    margin: [0, 4, 0, 6],
    table: {
      headerRows: 1,
      widths: [14, "*", "auto", "auto", 150],
      body: [
        ["", "", "in", "out", "bail out"].map((text) => ({ text, color: inkSoft, fontSize: 8 })),
        ...asked.map((item, i) => {
          const flown = items[i];
          const figure = (text: string) => ({ text, font: "Numbers", fontSize: 7 });
          return [
            { text: String(numbers[i] ?? ""), bold: true },
            { text: capital(lineItemName(item, units)), bold: numbers[i] !== null },
            flown ? figure(state(flown.entry)) : "",
            flown ? figure(state(flown.exit)) : { text: "not reached", color: buoyText },
            { text: flown ? wayOut(flown, i) : "", fontSize: 8 },
          ];
        }),
      ],
    },
  };
}
