import { gzipSync } from "node:zlib";
import {
  createPractice,
  environmentOn,
  flyFigureLate,
  judgeTry,
  madeUpRadio,
  outcomeOfTry,
  packTry,
  prepareDrill,
  type Airframe,
  type PracticeRecord,
  type PracticeRequest,
  type Settings,
  type StampedSticks,
} from "@/core";
import { builtInSyllabus, findStep, practisedAs, standardDay } from "@/syllabus";

/** Evenings at the radio between flying days: "." clean, "~" not clean, "x" crashed. */
export const sittings = [
  { who: "Odalie Venn", stepId: "flip-one-move", direction: "back", daysAgo: 5, tries: "x~~.~x~.", seconds: 6 },
  { who: "Odalie Venn", stepId: "flip-one-move", direction: "front", daysAgo: 3, tries: "~x~~..~.~", seconds: 6 },
  { who: "Odalie Venn", stepId: "flip-one-move", direction: "back", daysAgo: 1, tries: "~..~...", seconds: 6 },
  { who: "Corvin Haldt", stepId: "split-s", direction: "right", daysAgo: 4, tries: "x~.~...", seconds: 5 },
  { who: "Tamsel Orrick", stepId: "stop-course", direction: "on", daysAgo: 2, tries: "~~.~.", seconds: 34 },
] as const;

/** What the coach asked for: clean tries at a step by a date, set before those evenings. */
export const homework = [
  { who: "Odalie Venn", stepId: "flip-one-move", tries: 12, setDaysAgo: 6, inDays: 4 },
  { who: "Corvin Haldt", stepId: "split-s", tries: 4, setDaysAgo: 5, inDays: 2 },
  { who: "Tamsel Orrick", stepId: "stop-course", tries: 6, setDaysAgo: 9, inDays: -1 },
] as const;

/** How late hands are that do it cleanly, and that do not, s: the first of them that comes out as the try did. */
const lateness = { ".": [0.01, 0.02, 0], "~": [0.07, 0.1, 0.14, 0.2, 0.3], x: [0] } as const;
/** Hands that let go hold on for so long first, s. */
const HELD_S = 0.5;

/** The sticks of a try that came out as this one did, packed; null where made-up hands do not come to it. */
export function sticksOfTry(
  { stepId, direction }: (typeof sittings)[number],
  mark: string,
  airframe: Airframe,
  settings: Settings,
): Buffer | null {
  const asked = practisedAs(findStep(builtInSyllabus, stepId)!, direction, { school: {}, own: [] });
  if (!asked) return null;
  const environment = environmentOn({ ...standardDay.air, windMps: 0 });
  const request: PracticeRequest = { ...asked, id: `${stepId} ${direction}`, airframe, settings, environment };
  const drill = prepareDrill(request);
  const outcome = mark === "." ? "clean" : mark === "x" ? "crashed" : "rough";
  for (const lateS of lateness[mark as keyof typeof lateness]) {
    const record =
      request.kind === "figure"
        ? flyFigureLate(request, drill, lateS)
        : flyRecipe(request, drill, mark === "x" ? null : lateS);
    if (outcomeOfTry(judgeTry(record, drill, airframe, settings).score) === outcome) {
      const { drill: task, environment: air } = drill;
      return gzipSync(packTry({ record, drill: task, airframe, settings, environment: air }));
    }
  }
  return null;
}

/** The hands of the model, each phase ended late by so much; or hands that let go. */
function flyRecipe(
  { airframe, settings }: PracticeRequest,
  { drill, environment }: ReturnType<typeof prepareDrill>,
  lateS: number | null,
): PracticeRecord {
  const { recipe } = drill;
  const straight = { rollGain: 0, pitchGain: 0, yawGain: 0, throttleGain: 0, rollOffset: 0, pitchOffset: 0 };
  const slips = recipe.phases.map(() => ({ ...straight, yawOffset: 0, lateS: lateS ?? 0 }));
  const hands = madeUpRadio(recipe, airframe, settings, environment, slips);
  const letGo: StampedSticks[] = Array.from({ length: 400 }, (_, i) => ({
    ...{ timeS: HELD_S + i / 50, roll: 0, pitch: 0, yaw: 0, throttle: 0 },
  }));
  const readings = lateS === null ? [...hands.filter(({ timeS }) => timeS < HELD_S), ...letGo] : hands;
  const practice = createPractice(drill, airframe, settings, environment);
  for (let at = 0, untilS = 0.1; at < readings.length; untilS += 0.1) {
    const from = at;
    while (at < readings.length && readings[at].timeS <= untilS) at++;
    practice.advance(0.1, readings.slice(from, at));
  }
  return practice.record();
}
