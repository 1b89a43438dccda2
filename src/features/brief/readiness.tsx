"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import {
  environmentOn,
  LEAST_MEASURED,
  measuredEnough,
  measuredIn,
  summarise,
  usualErrors,
  type DayAir,
  type PilotErrors,
  type ScatterPlan,
  type ScatterRun,
  type TrickBrief,
} from "@/core";
import type { Aircraft, Setup } from "@/contract";
import { skillOf, type Step } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import type { Pool } from "@/ui/scatter/pool";
import { flyMany, useComputed } from "@/ui/scatter/use-scatter";
import { failuresInWords, habitWords, readinessOf } from "@/ui/scatter/words";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { usePreferences } from "@/ui/theme/preferences";
import { percent, refusedWords } from "@/words";
import type { BriefData } from "./load";

const RUNS = 200;
const SEED = 1;

/** How often the model flies this clean with hands of this stage, beside how often the pilot does. */
export function Readiness({
  data,
  step,
  aircraft,
  setup,
  brief,
  air,
}: {
  data: BriefData;
  step: Step;
  aircraft: Aircraft;
  setup: Setup;
  brief: TrickBrief;
  air: DayAir;
}) {
  const syllabus = useSyllabus();
  const { units } = usePreferences();
  const { state, start, cancel } = useComputed<{ runs: readonly ScatterRun[]; own: PilotErrors | null }>();
  const { recipe } = brief;
  const measured = measuredIn(data.measured, data.direction);
  const enough = measuredEnough(measured).length > 0;
  const usual = usualErrors(skillOf(syllabus, step).stage);
  const plan: Omit<ScatterPlan, "errors"> = {
    recipe,
    airframe: aircraft.airframe,
    settings: setup.settings,
    environment: { ...environmentOn(air), entryHeightM: brief.entryHeightM },
    stopWithinDeg: step.stopWithinDeg,
    seed: SEED,
  };
  const key = JSON.stringify([recipe, setup.id, air]);
  const fly = async (pool: Pool, onProgress: (share: number) => void) => {
    const own = enough ? await pool.run((remote) => remote.fitOwnErrors(plan, usual, measured)) : null;
    const [runs] = await flyMany(pool, [{ ...plan, errors: own?.errors ?? usual }], RUNS, onProgress);
    return { runs, own: own?.errors ?? null };
  };
  const flown = state.kind === "done" && state.key === key ? state.result : null;
  const done = flown && summarise(flown.runs);
  const own = data.standing.evidence.directions.find(({ direction }) => direction === data.direction);
  const counts = Object.entries(data.faultCounts).sort(([, a], [, b]) => b - a);
  const fault = step.faults.find(({ id }) => id === counts[0]?.[0])?.short ?? null;
  const readiness =
    done && own
      ? readinessOf(
          done.clean,
          { value: own.posterior.mean, low: own.posterior.low, high: own.posterior.high, attempts: own.attempts },
          fault,
        )
      : null;
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h2">Odds of a clean one</Typography>
      {readiness && done ? (
        <>
          <Typography
            sx={(theme) => ({ mt: 0.5, color: readiness.kind === "worse" ? theme.tokens.buoyText : undefined })}
          >
            {readiness.kind === "worse" && "▲ "}
            {readiness.sentence}
          </Typography>
          {done.failures.length > 0 && (
            <Typography sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
              In the model: {failuresInWords(done)}.
            </Typography>
          )}
          <Typography sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
            {RUNS} runs with{" "}
            {enough
              ? `hands that stray as this pilot's measured attempts do${habitWords(flown?.own ?? null)}`
              : `typical for this stage; from ${LEAST_MEASURED} measured attempts on, with this pilot's own`}
            . In brackets: 95&#8239;% certainty of the model&apos;s share, 90&#8239;% of the flown one.
          </Typography>
        </>
      ) : state.kind === "broken" ? (
        <Typography role="alert" color="error">
          {refusedWords(state.why, units)}
        </Typography>
      ) : (
        <Button
          size="small"
          variant="outlined"
          sx={{ mt: 0.5 }}
          onClick={() => (state.kind === "flying" ? cancel() : start(key, fly))}
        >
          {state.kind === "flying" ? `Stop, ${percent(state.share)} flown` : `Simulate ${RUNS} imperfect runs`}
        </Button>
      )}
    </Box>
  );
}
