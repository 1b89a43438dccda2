"use client";

import Box from "@mui/material/Box";
import LinearProgress from "@mui/material/LinearProgress";
import ListSubheader from "@mui/material/ListSubheader";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import dynamic from "next/dynamic";
import { useMemo, useState } from "react";
import { environmentOn, USUAL_STOP_DEG, type PracticeRequest, type PreparedDrill } from "@/core";
import type { Aircraft, Setup } from "@/contract";
import { findStep, flownDirections, recipeOf, stepsInModel, type Step } from "@/syllabus";
import { PickOne } from "@/ui/forms/pick-one";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { usePreferences } from "@/ui/theme/preferences";
import { useNewest } from "@/ui/worker/use-newest";
import { refusedWords } from "@/words";
import type { PracticeWorker } from "@/workers/practice.worker";
import type { PracticeData } from "./load";
import { practiceWorker } from "./practice-worker";

/** With the drawing library, which a server has no use for. */
const PracticeBoard = dynamic(() => import("./practice-board").then((board) => board.PracticeBoard), { ssr: false });

/** The drills flown by hand in the model, with the pilot's own aircraft and settings. */
export function PracticeScreen({ data }: { data: PracticeData }) {
  const { pilot, aircraft, setup } = data;
  if (!aircraft || !setup)
    return (
      <>
        <Typography variant="h1">Practice</Typography>
        <NeedsSetup
          pilotName={pilot.name}
          aircraftName={aircraft?.name ?? null}
          why="Drills are flown with one aircraft and its settings, so that comes first."
        />
      </>
    );
  return <Practice data={data} aircraft={aircraft} setup={setup} />;
}

/** What the model is to work out; null for what it does not fly. */
function requestOf(
  { manner, day }: PracticeData,
  step: Step,
  direction: string,
  aircraft: Aircraft,
  setup: Setup,
): PracticeRequest | null {
  const recipe = recipeOf(step, direction, manner);
  return (
    recipe && {
      ...{ id: `${step.id} ${direction}`, recipe, airframe: aircraft.airframe, settings: setup.settings },
      // In still air: there are no gusts in the loop yet.
      environment: environmentOn({ ...day.air, windMps: 0 }),
      withinDeg: recipe.turn ? (step.stopWithinDeg ?? USUAL_STOP_DEG) : null,
    }
  );
}

function Practice({ data, aircraft, setup }: { data: PracticeData; aircraft: Aircraft; setup: Setup }) {
  const { pilot, manner } = data;
  const syllabus = useSyllabus();
  const { units } = usePreferences();
  const stages = useMemo(() => stepsInModel(syllabus, manner), [syllabus, manner]);
  const [stepId, setStep] = useState(data.stepId ?? stages[0].steps[0].id);
  const step = findStep(syllabus, stepId) ?? stages[0].steps[0];
  const directions = flownDirections(step, manner);
  const [wanted, setDirection] = useState("");
  const direction = (directions.find(({ id }) => id === wanted) ?? directions[0]).id;
  const request = requestOf(data, step, direction, aircraft, setup);
  const { result, pending } = useNewest<PracticeRequest, PreparedDrill, PracticeWorker>(
    request,
    practiceWorker,
    (remote, asked) => remote.prepareDrill(asked),
  );
  const prepared = result?.kind === "answer" && !pending ? result.answer : null;
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 1 }}>
        <Typography variant="h1" sx={{ mr: 1 }}>
          Practice
        </Typography>
        <TextField
          select
          size="small"
          label="Drill"
          value={step.id}
          onChange={({ target }) => setStep(target.value)}
          sx={{ minWidth: 240 }}
        >
          {stages.flatMap(({ stage, name, steps }) => [
            <ListSubheader key={stage}>
              {stage} {name}
            </ListSubheader>,
            ...steps.map(({ id, name: stepName }) => (
              <MenuItem key={id} value={id}>
                {stepName}
              </MenuItem>
            )),
          ])}
        </TextField>
        {directions.length > 1 && (
          <PickOne
            label="Direction"
            value={direction}
            options={directions.map(({ id, name }) => [id, name] as const)}
            onPick={setDirection}
          />
        )}
        <Typography sx={{ color: "text.secondary" }}>
          {pilot.name} with {aircraft.name}, setup <span className="num">{setup.number}</span>
        </Typography>
      </Box>
      {result?.kind === "refused" && !pending && (
        <Typography role="alert" color="error.main">
          ▲ {refusedWords(result.why, units)}
        </Typography>
      )}
      {pending && <LinearProgress aria-label="The model flies it first" sx={{ my: 1 }} />}
      {prepared && (
        <PracticeBoard
          key={`${step.id} ${direction}`}
          prepared={prepared}
          airframe={aircraft.airframe}
          settings={setup.settings}
          stickMode={pilot.stickMode}
          aim={step.aim}
        />
      )}
    </>
  );
}
