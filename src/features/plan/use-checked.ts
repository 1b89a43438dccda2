import type { PlannedBlock, Site } from "@/contract";
import { findStep, type StepRefusal } from "@/syllabus";
import { refusalWords, type UnitSystem } from "@/words";
import { planSession, slotsFit, slotsFor, windRefusal, type Flier, type SessionPlan } from "./planning";
import { peakTasks, siteRefusalFor } from "./site-checks";
import { dayOfPlan } from "./start-heights";
import { usePeaks } from "./use-peaks";
import type { usePlanFrame } from "./use-plan-frame";

/** What the coach changed by hand; what is left out is as planned. */
export interface ByHand {
  readonly blocks: Readonly<Record<string, readonly PlannedBlock[]>>;
  readonly slots: SessionPlan["slots"] | null;
}
export const UNTOUCHED: ByHand = { blocks: {}, slots: null };

/** The plan as it stands, and what the site and its height limit refuse of it. What is refused is planned round. */
export function useChecked(
  frame: ReturnType<typeof usePlanFrame>["frame"],
  fliers: readonly Flier[],
  byHand: ByHand,
  {
    outside,
    site,
    units,
  }: {
    readonly outside: boolean;
    readonly site: Site | null;
    readonly units: UnitSystem;
  },
) {
  // Only what is offered is flown in the model for its highest point; what was chosen by hand, too.
  const stepsOf = (flier: Flier) => [
    ...new Set([
      ...flier.one.offers.flatMap(({ stepId }) => stepId ?? []),
      ...(byHand.blocks[flier.one.id] ?? []).flatMap(({ stepId }) => stepId ?? []),
    ]),
  ];
  const tasks = outside
    ? peakTasks(
        fliers.flatMap((flier) => stepsOf(flier).map((stepId) => ({ ...flier, stepId }))),
        site,
        dayOfPlan(site, frame),
      )
    : [];
  const peaks = usePeaks(tasks);
  const refusal = (flier: Flier, stepId: string, isNew: boolean): StepRefusal | null => {
    if (!outside) return null;
    const step = findStep(flier.syllabus, stepId);
    if (!step) return null;
    if (flier.one.simulatorFirst.includes(stepId)) return { kind: "simulator-first", step: step.name };
    return (
      siteRefusalFor({ ...flier, stepId }, site, peaks) ??
      (frame && windRefusal(flier, step.name, isNew, frame, site?.elevationM ?? 0))
    );
  };
  if (!frame) return { plan: null, tasks, peaks, refused: [] };
  const proposed = planSession(fliers, frame, (flier, { stepId, isNew }) =>
    stepId ? refusal(flier, stepId, isNew) : null,
  );
  const blocks = new Map([...proposed.blocks].map(([id, own]) => [id, byHand.blocks[id] ?? own]));
  const plan: SessionPlan = {
    blocks,
    left: proposed.left,
    slots:
      byHand.slots && slotsFit(byHand.slots, fliers, blocks, frame) ? byHand.slots : slotsFor(fliers, blocks, frame),
  };
  const refused = fliers.flatMap((flier) =>
    (byHand.blocks[flier.one.id] ?? []).flatMap(({ stepId }) => {
      const why = stepId && refusal(flier, stepId, !flier.one.known.includes(stepId));
      return why ? [`${flier.one.name}: ${refusalWords(why, units)}`] : [];
    }),
  );
  return { plan, tasks, peaks, refused: [...new Set(refused)] };
}
