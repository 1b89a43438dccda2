"use client";

import Typography from "@mui/material/Typography";
import { useCallback, useMemo } from "react";
import { measuredIn, type FlownTrick } from "@/core";
import type { Aircraft, Setup } from "@/contract";
import { Box } from "@/ui/layout/box";
import { Progress } from "@/ui/layout/progress";
import { later } from "@/ui/loading/later";
import { flagFrom } from "@/ui/device/device-storage";
import { useDeviceState } from "@/ui/device/use-device-state";
import { BadFieldsProvider } from "@/ui/forms/bad-fields";
import { useKeys } from "@/ui/keys/keys";
import { useAtHand } from "@/ui/shell/at-hand";
import { WhenSeen } from "@/ui/layout/when-seen";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { nameOfOther, OtherControl } from "./beside";
import { ParameterControls, SurroundingsControls } from "./controls";
import { LabHeading, Statements } from "./lab-heading";
import type { LabData } from "./load";
import { SettingsControls } from "./settings-controls";
import { StartLine } from "./start-line";
import { useLab } from "./use-lab";

const FlightViews = later(() => import("./flight-views").then((part) => part.FlightViews));
const ScatterPanel = later(() => import("./scatter-panel").then((part) => part.ScatterPanel));
const RecommendPanel = later(() => import("./recommend-panel").then((part) => part.RecommendPanel));

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
          why="Tricks are flown with one aircraft and its settings, so set those up first."
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
  const lab = useLab(data, aircraft, setup);
  const { trick, ways, variant, direction, surroundings, request, flown, shown, ghost } = lab;
  const { coaches } = useAtHand();
  const [controls, setControls] = useDeviceState("bathygon-lab-controls", true, flagFrom);
  const turnControls = useCallback(() => setControls((shown) => !shown), [setControls]);
  useKeys(useMemo(() => [{ key: "h", label: "Hide or show the controls", run: turnControls }], [turnControls]));
  return (
    <>
      <LabHeading
        trick={trick}
        ways={ways}
        variantId={variant.id}
        direction={direction}
        onVariant={lab.setVariant}
        onDirection={lab.setDirection}
        controls={controls}
        onControls={turnControls}
      />

      {variant.gains && (
        <Typography sx={{ fontSize: "0.9rem", color: "text.secondary", mb: 1 }}>{variant.gains}</Typography>
      )}
      <Box sx={{ height: 4, mb: 0.5 }}>{lab.pending && <Progress aria-label="Flying it in the model" />}</Box>
      <Statements flown={flown} shown={shown} ceilingM={surroundings.ceilingM} />
      <StartLine
        height={lab.height}
        recipe={shown?.recipe ?? request.recipe}
        freeze={lab.freeze}
        shown={shown}
        byHand={surroundings.entryHeightM !== null}
        refused={flown?.kind === "refused"}
      />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: controls ? "250px minmax(0,1fr)" : "minmax(0,1fr)" },
          columnGap: 3,
          rowGap: 2,
        }}
      >
        <Box id="lab-controls" hidden={!controls} sx={{ order: { xs: 2, md: 0 } }}>
          <ParameterControls
            recipe={shown?.recipe ?? request.recipe}
            byHand={lab.byHand}
            moved={lab.moved}
            onChange={lab.setValues}
            onMove={lab.move}
            onReset={lab.asFlown}
          />
          <SettingsControls
            setup={setup}
            draft={lab.draft}
            differences={lab.differences}
            mayChange={coaches}
            frozen={data.pilot.settingsFrozen}
          />

          <SurroundingsControls
            surroundings={surroundings}
            sites={data.sites}
            usual={lab.usualSurroundings}
            day={data.day}
            shownHeightM={shown?.entryHeightM ?? 10}
            onChange={lab.setSurroundings}
          />

          <OtherControl
            ways={ways}
            variantId={variant.id}
            direction={direction}
            setups={data.setups}
            drafted={lab.drafted}
            value={lab.otherKey}
            kept={lab.kept}
            onChange={lab.setOther}
            onKeep={lab.keep}
          />
        </Box>
        {lab.drawn ? (
          <FlightViews
            trick={lab.drawn}
            settings={request.settings}
            pilot={data.pilot}
            looksAt={trick.looksAt}
            aircraftName={aircraft.name}
            ceilingM={surroundings.ceilingM}
            ghost={ghost}
          />
        ) : (
          flown?.kind !== "refused" && (
            <Typography sx={{ py: 6 }}>Flying it in the model with {aircraft.name}</Typography>
          )
        )}
      </Box>

      {shown?.problem === null && (
        <WhenSeen key={request.recipe.id} early minHeight={0}>
          <Hands trick={shown} data={data} lab={lab} aircraft={aircraft} setup={setup} />
        </WhenSeen>
      )}
    </>
  );
}

/** Margin for error for this pilot, and what would make it kinder; there is nothing of a trick that does not go. */
function Hands({
  trick: shown,
  data,
  lab,
  aircraft,
  setup,
}: {
  trick: FlownTrick;
  data: LabData;
  lab: ReturnType<typeof useLab>;
  aircraft: Aircraft;
  setup: Setup;
}) {
  const { trick, ways, direction, request, ghost, other } = lab;
  return (
    <ScatterPanel
      trick={shown}
      settings={request.settings}
      aircraft={aircraft}
      environment={request.environment}
      stage={trick.stage}
      stopWithinDeg={lab.stopWithinDeg}
      measured={measuredIn(data.measured, direction)}
      beside={
        ghost && other && ghost.trick.problem === null
          ? { ...ghost, name: nameOfOther(other, ways, data.setups) }
          : null
      }
    >
      {(errors) => (
        <RecommendPanel
          recipe={request.recipe}
          trick={trick}
          direction={direction}
          manner={data.manner}
          settings={request.settings}
          setup={setup}
          onSaved={() => lab.draft.drop(setup.settings)}
          aircraft={aircraft}
          environment={request.environment}
          errors={errors}
          stopWithinDeg={lab.stopWithinDeg}
          frozen={data.pilot.settingsFrozen}
          hands={data.pilot}
        />
      )}
    </ScatterPanel>
  );
}
