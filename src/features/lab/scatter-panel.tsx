"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useState, type ReactNode } from "react";
import {
  compareRuns,
  fittedMeasures,
  measuredEnough,
  usualErrors,
  type MeasuredValues,
  summarise,
  type Environment,
  type FlownTrick,
  type PilotErrors,
  type ScatterPlan,
  type ScatterRun,
  type Settings,
} from "@/core";
import type { Aircraft } from "@/contract";
import { Option } from "@/ui/forms/options";
import { PickOne } from "@/ui/forms/pick-one";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { ErrorFields, errorsOf, type ErrorSource } from "@/ui/scatter/error-fields";
import { Cloud, StopSpread } from "@/ui/scatter/pictures";
import { handedErrors } from "@/ui/scatter/handed-errors";
import { useOwnErrors } from "@/ui/scatter/use-own-errors";
import { RunOrStop } from "@/ui/scatter/run-or-stop";
import { flyMany, useComputed } from "@/ui/scatter/use-scatter";
import { comparedInWords, failuresInWords, shareWords, markInWords } from "@/ui/scatter/words";
import { usePreferences } from "@/ui/theme/preferences";
import { quantityText, refusedWords } from "@/words";

const counts = [200, 1000] as const;
/** How many runs of so many may go below the height margin. */
const risks = [20, 50, 100, 200] as const;
const USUAL_RISK = 100;
/** Runs after which a worker flies at its full speed. */
const WARMING_RUNS = 12;
const SEED = 1;

/** What was flown, with what it was asked of: the page may ask something else by now. */
interface Flown {
  readonly runs: readonly (readonly ScatterRun[])[];
  readonly stopWithinDeg: number | null;
  readonly entryHeightM: number;
  readonly besideName: string | null;
}

interface ScatterProps {
  trick: FlownTrick;
  settings: Settings;
  aircraft: Aircraft;
  environment: Environment;
  stage: number;
  stopWithinDeg: number | null;
  /** What was measured on attempts of this pilot at this trick, in this direction where that is enough. */
  measured: MeasuredValues;
  /** What else is asked of the same hands. */
  children: (errors: PilotErrors | null) => ReactNode;
  /** What is flown beside it, with its name. */
  beside: { readonly trick: FlownTrick; readonly settings: Settings; readonly name: string } | null;
}

/** How forgiving a trick is for this pilot: flown many times with the errors that hands make. */
export function ScatterPanel(props: ScatterProps) {
  const { units } = usePreferences();
  const { trick, stage, stopWithinDeg, measured, beside, children } = props;
  const { source, setSource, typed, setTyped, enough, own, tape, errors, plans } = useHands(props);
  const [runs, setRuns] = useState<number>(counts[0]);
  const { state, start, cancel, warm } = useComputed<Flown>();
  const key = JSON.stringify([plans, runs]);
  const shown = state.kind === "done" ? state : null;
  // Whoever comes here is likely to press the button: what it takes to begin is done by then.
  const getReady = () => {
    const [plan] = plans;
    if (plan) warm((remote) => remote.scatterRuns(plan, 0, WARMING_RUNS));
  };
  return (
    <Box
      component="section"
      aria-labelledby="forgiving"
      onPointerEnter={getReady}
      onFocus={getReady}
      sx={(theme) => ({ mt: 3, pt: 1.5, borderTop: `1.5px solid ${theme.tokens.ink}` })}
    >
      <Typography variant="h2" id="forgiving">
        Margin for error
      </Typography>
      <Typography sx={{ fontSize: "0.88rem", color: "text.secondary", mb: 1.5, maxWidth: 760 }}>
        The same trick flown many times with the errors hands make: each phase ended early or late, sticks moved too far
        or not far enough, thumbs off the middle, some wind. “Late” is a constant delay; the rest are random spread.
        Clean: to its end, upright
        {stopWithinDeg !== null && `, stopped within ${stopWithinDeg}°`}
        {(trick.recipe.marks ?? []).map((mark) => `, ${markInWords(mark, trick.recipe.parameters, units)}`).join("")}.
      </Typography>
      <ErrorFields
        source={source}
        stage={stage}
        own={own.errors}
        intervals={own.own}
        measured={Math.max(0, ...fittedMeasures.map((name) => measured[name]?.length ?? 0))}
        enough={enough}
        typed={typed}
        tape={tape}
        onSource={setSource}
        onType={(name, text) => {
          setSource("typed");
          setTyped((before) => ({ ...before, [name]: text }));
        }}
      />
      <Box sx={{ display: "flex", alignItems: "center", gap: 1.5, my: 1.5 }}>
        <PickOne label="Runs" value={runs} options={counts.map((one) => [one, `${one} runs`])} onPick={setRuns} />
        <RunOrStop state={state} label="Flying the runs" onStop={cancel}>
          <Button
            variant="contained"
            disabled={plans.length === 0}
            onClick={() =>
              start(key, async (pool, onProgress) => ({
                runs: await flyMany(pool, plans, runs, onProgress),
                stopWithinDeg,
                entryHeightM: trick.entryHeightM,
                besideName: beside?.name ?? null,
              }))
            }
          >
            {beside ? `Run both, ${runs} flights each` : `Run ${runs} flights`}
          </Button>
        </RunOrStop>
        {shown && shown.key !== key && (
          <Typography sx={(theme) => ({ color: theme.tokens.ochreText, fontSize: "0.88rem", fontWeight: 600 })}>
            ▲ Something was changed since: fly again.
          </Typography>
        )}
      </Box>
      {own.why !== null && <Alert severity="error">{refusedWords(own.why, units)}</Alert>}
      {state.kind === "broken" && <Alert severity="error">{refusedWords(state.why, units)}</Alert>}
      {shown && <Result {...shown.result} />}
      {children(errors)}
    </Box>
  );
}

/** Whose errors are flown with, and the flights that takes. */
function useHands({ trick, settings, aircraft, environment, stage, stopWithinDeg, measured, beside }: ScatterProps) {
  const { units } = usePreferences();
  const [tape] = useState(() => handedErrors(aircraft.pilotId));
  const [source, setSource] = useState<ErrorSource>(tape ? "tape" : "stage");
  const [typed, setTyped] = useState<Readonly<Partial<Record<keyof PilotErrors, string>>>>({});
  const enough = measuredEnough(measured).length > 0;
  const asFlown = {
    recipe: trick.recipe,
    airframe: aircraft.airframe,
    settings,
    environment: { ...environment, entryHeightM: trick.entryHeightM, ceilingM: null },
    stopWithinDeg,
    seed: SEED,
  };
  const own = useOwnErrors(source === "own" && enough ? { plan: asFlown, usual: usualErrors(stage), measured } : null);
  const { errors } = errorsOf(source, stage, own.errors, typed, units, tape?.errors);
  const plans = useMemo(
    () =>
      errors
        ? [{ trick, settings }, ...(beside ? [beside] : [])].map((one): ScatterPlan => ({
            recipe: one.trick.recipe,
            airframe: aircraft.airframe,
            settings: one.settings,
            environment: { ...environment, entryHeightM: one.trick.entryHeightM, ceilingM: null },
            errors,
            stopWithinDeg,
            seed: SEED,
          }))
        : [],
    [errors, trick, settings, beside, aircraft.airframe, environment, stopWithinDeg],
  );
  return { source, setSource, typed, setTyped, enough, own, tape, errors, plans };
}

function Result({ runs: [runs, others], stopWithinDeg, entryHeightM, besideName }: Flown) {
  const { units } = usePreferences();
  const [oneIn, setOneIn] = useState<number>(USUAL_RISK);
  const summary = useMemo(() => summarise(runs, 1 / oneIn), [runs, oneIn]);
  const compared = useMemo(() => (others ? compareRuns(runs, others) : null), [runs, others]);
  const stops = useMemo(() => runs.flatMap(({ stopErrorDeg }) => stopErrorDeg ?? []), [runs]);
  const { stop, lowest } = summary;
  const metres = (value: number) => quantityText(value, "length", units);
  const degrees = (value: number) => {
    const whole = Math.round(value);
    return `${whole > 0 ? "+" : whole < 0 ? "−" : ""}${Math.abs(whole)}°`;
  };
  return (
    <Box role="status" aria-label="What the runs say">
      <Typography sx={{ fontSize: "1.15rem" }}>
        Clean <b className="num">{shareWords(summary.clean)}</b> of {summary.runs} runs, with 95&#8239;% certainty.
      </Typography>
      {stop && (
        <Typography>
          Stops <b className="num">{degrees(stop.meanDeg)}</b> from the mark on average; nine in ten between{" "}
          <b className="num">{degrees(stop.lowDeg)}</b> and <b className="num">{degrees(stop.highDeg)}</b>.
        </Typography>
      )}
      <Typography component="div" sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 0.5 }}>
        <SelectField
          look="lined"
          value={oneIn}
          onChange={(event) => setOneIn(Number(event.target.value))}
          aria-label={"Risk of the height"}
        >
          {risks.map((one) => (
            <Option key={one} value={one}>
              risk 1 in {one}
            </Option>
          ))}
        </SelectField>
        {lowest.value > 0 ? (
          <span>
            {oneIn - 1} of {oneIn} runs clear the ground by <b className="num">{metres(lowest.value)}</b> (
            {metres(lowest.low)} to {metres(lowest.high)}) from a start at {metres(entryHeightM)}.
          </span>
        ) : (
          <b>
            Start higher: more than 1 run in {oneIn} hits the ground from {metres(entryHeightM)}.
          </b>
        )}
      </Typography>
      {summary.failures.length > 0 && <Typography>What went wrong: {failuresInWords(summary)}.</Typography>}
      {compared && besideName && (
        <Typography sx={{ mt: 0.5, fontWeight: 600 }}>{comparedInWords(compared, besideName)}</Typography>
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr)" },
          gap: 3,
          mt: 1.5,
          maxWidth: 900,
        }}
      >
        <Cloud runs={runs} />
        {stops.length > 0 && <StopSpread errorsDeg={stops} withinDeg={stopWithinDeg} />}
      </Box>
    </Box>
  );
}
