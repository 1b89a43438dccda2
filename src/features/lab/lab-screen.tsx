"use client";

import Box from "@mui/material/Box";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import { useDeferredValue, useMemo, useState } from "react";
import {
  begunAtM,
  freezeMargins,
  measuredIn,
  USUAL_STOP_DEG,
  usualErrors,
  withParameters,
  type TrickRequest,
} from "@/core";
import type { Aircraft, Setup } from "@/contract";
import { findStep, findTrick } from "@/syllabus";
import { useFlown } from "@/ui/flight/use-flown";
import { BadFieldsProvider } from "@/ui/forms/bad-fields";
import { useAtHand } from "@/ui/shell/at-hand";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { useStartHeight } from "@/ui/start-height/use-start-height";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { askedBeside, nameOfOther, OtherControl, otherOf } from "./beside";
import { ParameterControls, SurroundingsControls } from "./controls";
import { FlightViews } from "./flight-views";
import { LabHeading, Statements } from "./lab-heading";
import type { LabData } from "./load";
import { RecommendPanel } from "./recommend-panel";
import { ScatterPanel } from "./scatter-panel";
import { environmentOf, surroundingsOn, type Surroundings } from "./surroundings";
import { waysOf } from "./ways";

/** Trick lab: any trick of the model with this aircraft and setup; change something and see what it does. */
export function LabScreen({ data }: { data: LabData }) {
  const { pilot, aircraft, setup } = data;
  if (!aircraft || !setup) {
    return (
      <>
        <Typography variant="h1">Trick lab</Typography>
        <NeedsSetup
          pilotName={pilot.name}
          aircraftName={aircraft?.name ?? null}
          why="Tricks are flown with one aircraft and its settings, so that comes first."
        />
      </>
    );
  }
  return (
    <BadFieldsProvider>
      <Lab data={data} aircraft={aircraft} setup={setup} />
    </BadFieldsProvider>
  );
}

function Lab({ data, aircraft, setup }: { data: LabData; aircraft: Aircraft; setup: Setup }) {
  const trick = findTrick(data.trickId)!;
  const syllabus = useSyllabus();
  const ways = useMemo(() => waysOf(trick, data.own), [trick, data.own]);
  const [variantId, setVariant] = useState(data.variantId);
  const variant = ways.find(({ id }) => id === variantId) ?? ways[0];
  const [wantedDirection, setDirection] = useState(Object.keys(variant.recipes)[0]);
  const direction = variant.recipes[wantedDirection] ? wantedDirection : Object.keys(variant.recipes)[0];
  const [values, setValues] = useState<Readonly<Record<string, number>> | null>(null);
  // Moved while the rest is worked out.
  const [moved, setMoved] = useState<Readonly<Record<string, number>>>({});
  const [kept, setKept] = useState<TrickRequest | null>(null);
  const [surroundings, setSurroundings] = useState<Surroundings>(() => surroundingsOn(data.day.air));
  const [otherKey, setOther] = useState("none");
  const other = otherOf(otherKey);
  const request = useMemo(
    (): TrickRequest => ({
      recipe: withParameters(variant.recipes[direction], moved),
      values,
      entryHeightM: surroundings.entryHeightM,
      airframe: aircraft.airframe,
      settings: setup.settings,
      environment: environmentOf(surroundings),
    }),
    [variant, direction, values, moved, surroundings, aircraft, setup],
  );
  const otherRequest = useMemo(
    () => (other ? askedBeside(other, request, { ways, variant, direction, setups: data.setups, kept }) : null),
    [other, request, ways, variant, direction, data.setups, kept],
  );
  const usualSurroundings = useMemo(() => surroundingsOn(data.day.air), [data.day]);
  const { coaches } = useAtHand();
  const freeze = useMemo(() => freezeMargins(trick.stage, data.pilot.reactionS), [trick.stage, data.pilot.reactionS]);
  const height = useStartHeight(
    useMemo(
      () => ({
        // What was set by hand is flown as it is.
        recipe: values === null ? request.recipe : { ...withParameters(request.recipe, values), solveFor: [] },
        airframe: request.airframe,
        settings: request.settings,
        environment: request.environment,
        hands: usualErrors(trick.stage),
        freeze,
      }),
      [request, values, trick.stage, freeze],
    ),
    { worksOut: coaches },
  );
  // Begun at the minimum start height once that is known, where no height was set by hand.
  const startM = height.kind === "known" && height.startHeight ? begunAtM(height.startHeight) : null;
  const begun = useMemo(
    () => (request.entryHeightM === null && startM !== null ? { ...request, entryHeightM: startM } : request),
    [request, startM],
  );
  const { flown, pending } = useFlown(begun);
  const { flown: flownOther } = useFlown(otherRequest);
  const change =
    <T,>(set: (next: T) => void) =>
    (next: T) => {
      // Another recipe has other parameters.
      setValues(null);
      setMoved({});
      set(next);
    };
  const flownTrick = flown?.kind === "flown" ? flown.trick : null;
  // The old flight stays while the next is on its way, but never under another trick's name.
  const shown = flownTrick && flownTrick.recipe.id === request.recipe.id ? flownTrick : null;
  const flownBeside = otherRequest && flownOther?.kind === "flown" ? flownOther.trick : null;
  const besideSettings = otherRequest?.settings;
  const ghost = useMemo(
    () => (flownBeside && besideSettings ? { trick: flownBeside, settings: besideSettings } : null),
    [flownBeside, besideSettings],
  );
  const stopWithinDeg = request.recipe.turn ? (findStep(syllabus, trick.id)?.stopWithinDeg ?? USUAL_STOP_DEG) : null;
  // The drawings follow a moving slider when there is time.
  const drawn = useDeferredValue(shown);
  const upToDate = shown !== null && drawn?.recipe.id === shown.recipe.id;
  return (
    <>
      <LabHeading
        trick={trick}
        ways={ways}
        variantId={variant.id}
        direction={direction}
        onVariant={change(setVariant)}
        onDirection={change(setDirection)}
      />
      {variant.gains && (
        <Typography sx={{ fontSize: "0.9rem", color: "text.secondary", mb: 1 }}>{variant.gains}</Typography>
      )}
      <Box sx={{ height: 4, mb: 0.5 }}>{pending && <LinearProgress aria-label="Flying it in the model" />}</Box>
      <Statements flown={flown} shown={shown} ceilingM={surroundings.ceilingM} />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "250px minmax(0,1fr)" },
          columnGap: 3,
          rowGap: 2,
        }}
      >
        <Box sx={{ order: { xs: 2, md: 0 } }}>
          <ParameterControls
            recipe={shown?.recipe ?? request.recipe}
            byHand={values !== null}
            moved={Object.keys(moved).length > 0}
            onChange={setValues}
            onMove={(name, value) => setMoved((before) => ({ ...before, [name]: value }))}
            onReset={() => {
              setValues(null);
              setMoved({});
            }}
          />
          <SurroundingsControls
            surroundings={surroundings}
            usual={usualSurroundings}
            day={data.day}
            shownHeightM={shown?.entryHeightM ?? 10}
            onChange={setSurroundings}
          />
          <OtherControl
            ways={ways}
            variantId={variant.id}
            direction={direction}
            setups={data.setups}
            value={otherKey}
            kept={kept !== null}
            onChange={setOther}
            onKeep={() => {
              // As it is flown, worked-out figures and all.
              setKept(request);
              setOther("kept:now");
            }}
          />
        </Box>
        {upToDate ? (
          <FlightViews
            trick={drawn}
            settings={setup.settings}
            pilot={data.pilot}
            looksAt={trick.looksAt}
            aircraftName={aircraft.name}
            ceilingM={surroundings.ceilingM}
            ghost={ghost}
            height={height}
            freeze={freeze}
          />
        ) : (
          flown?.kind !== "refused" && (
            <Typography sx={{ py: 6 }}>Flying it in the model with {aircraft.name}</Typography>
          )
        )}
      </Box>
      {shown && shown.problem === null && (
        <ScatterPanel
          key={request.recipe.id}
          trick={shown}
          settings={setup.settings}
          aircraft={aircraft}
          environment={request.environment}
          stage={trick.stage}
          stopWithinDeg={stopWithinDeg}
          measured={measuredIn(data.measured, direction)}
          beside={
            ghost && ghost.trick.problem === null ? { ...ghost, name: nameOfOther(other!, ways, data.setups) } : null
          }
        >
          {(errors) => (
            <RecommendPanel
              recipe={request.recipe}
              trick={trick}
              direction={direction}
              manner={data.manner}
              settings={setup.settings}
              setup={setup}
              aircraft={aircraft}
              environment={request.environment}
              errors={errors}
              stopWithinDeg={stopWithinDeg}
              frozen={data.pilot.settingsFrozen}
              grip={data.pilot.grip}
            />
          )}
        </ScatterPanel>
      )}
    </>
  );
}
