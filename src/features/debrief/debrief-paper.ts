import type { Content } from "pdfmake/interfaces";
import type { Paper } from "@/server/files";
import { dayText, outcomes, type Outcome } from "@/core";
import type { LoggedAttempt, TallyData, TallyPilot, TallyStep } from "@/contract";
import { flownStep, stepName, type Syllabus } from "@/syllabus";
import { tokens } from "@/ui/theme/tokens";
import { adviceWords, capital, type Listener, type UnitSystem } from "@/words";
import { measuredWords } from "./measured-words";
import { mostSeenWords } from "./most-seen";
import { adviceAt, nextTimeWords } from "./next-time";
import { sinceLastTime, sinceLastWords } from "./since-last";

const { ink, inkSoft, rule, shoal } = tokens.light;
const words: Readonly<Record<Outcome, string>> = {
  clean: "clean",
  rough: "rough",
  bailed: "bailed",
  crashed: "crashed",
};

/**
 * What a session came to, on paper: by pilot and direction, the verdict and why, the fault seen most with its cue. Of everybody, for the coach; or of one
 * pilot, to be handed to them: without what coaches keep between them.
 */
export function debriefPaper(
  data: TallyData,
  syllabus: Syllabus,
  title: string,
  { pilotId = null, units = "metric" }: { readonly pilotId?: string | null; readonly units?: UnitSystem } = {},
): Paper {
  const { session, site } = data;
  const pilots = data.pilots.filter(({ id }) => pilotId === null || id === pilotId);
  const attempts = data.attempts.filter((one) => !one.undone && (pilotId === null || one.pilotId === pilotId));
  const date = dayText(data.pilots[0].rules.timeZone, session.startedAtMs);
  return {
    pageSize: "A4",
    pageMargins: [42, 40, 42, 40],
    info: { title: `Debrief, ${date}`, creator: "Bathygon" },
    defaultStyle: { color: ink, fontSize: 9.5 },
    ruled: { ruled: { colour: rule, widthPt: 0.5, paddingPt: [2, 4, 2, 4] } },
    content: [
      { text: "Debrief", bold: true, fontSize: 20 },
      {
        text: [title, date, site?.name, `${attempts.length} attempts`].filter(Boolean).join(", "),
        color: inkSoft,
        margin: [0, 0, 0, 6],
      },
      ...pilots.flatMap((pilot) => {
        const own = attempts.filter(({ pilotId }) => pilotId === pilot.id);
        const flown = pilot.steps.filter(({ stepId }) => own.some((one) => one.stepId === stepId));
        const next = nextTimeWords(pilot, syllabus, own);
        const notes = data.notes.filter((note) => note.pilotId === pilot.id && (pilotId === null || !note.forCoaches));
        return [
          ...(flown.length > 0 ? flown : pilot.steps.slice(0, 1)).map((step) =>
            stepContent(pilot, step, own, syllabus, { units, reader: pilotId === null ? "coach" : "pilot" }),
          ),
          ...(next ? [{ text: next, bold: true, margin: [0, 3, 0, 0] } satisfies Content] : []),
          ...notes.map(({ text }): Content => ({ text: `Noted: ${text}`, margin: [0, 3, 0, 0] })),
        ];
      }),
      {
        text: "This is advice only. Licensed instructors, local rules and local law decide.",
        color: inkSoft,
        fontSize: 8,
        margin: [0, 8, 0, 0],
      },
    ],
  };
}

function stepContent(
  pilot: TallyPilot,
  known: TallyStep,
  today: readonly LoggedAttempt[],
  syllabus: Syllabus,
  listener: Listener,
): Content {
  const { stepId, earlier } = known;
  const own = today.filter((one) => one.stepId === stepId);
  const step = flownStep(
    syllabus,
    stepId,
    own.map(({ direction }) => direction),
  );
  const head: Content = {
    text: [
      { text: pilot.name, bold: true, fontSize: 12 },
      { text: `   ${stepName(syllabus, stepId)}`, fontSize: 11 },
    ],
    margin: [0, 6, 0, 2],
  };
  if (own.length === 0) return { stack: [head, { text: "Nothing logged.", color: inkSoft }] };
  const says = step.leftOut
    ? "In no syllabus any more: there is no mark to judge it by."
    : adviceWords(adviceAt(pilot, known, step, syllabus, today), step.id, syllabus, listener);
  const change = sinceLastTime(earlier, own);
  const mend = mostSeenWords(own, step.faults);
  const flown = step.directions.filter(({ id }) => own.some(({ direction }) => direction === id));
  const count = (direction: string, outcome: Outcome) =>
    own.filter((one) => one.direction === direction && one.outcome === outcome).length;
  return {
    stack: [
      head,
      {
        layout: "ruled",
        table: {
          widths: [110, ...outcomes.map(() => 60)],
          body: [
            ["", ...outcomes.map((outcome) => words[outcome])].map((text) => ({ text, color: inkSoft, fontSize: 8 })),
            ...flown.map(({ id, name }) => [
              name,
              ...outcomes.map((outcome) => ({ text: String(count(id, outcome)), font: "Numbers", fontSize: 9 })),
            ]),
          ],
        },
      },
      ...(change ? [{ text: sinceLastWords(change), margin: [0, 3, 0, 0] } satisfies Content] : []),
      { text: says, bold: true, color: shoal, margin: [0, 3, 0, 0] },
      ...measuredWords(own, listener.units ?? "metric").map((line): Content => ({
        text: `${capital(line)}.`,
        margin: [0, 1, 0, 0],
      })),
      ...(mend ? [{ text: mend, margin: [0, 1, 0, 0] } satisfies Content] : []),
    ],
    unbreakable: true,
  };
}
