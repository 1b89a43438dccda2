"use client";

import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useMemo, useState, type ReactNode } from "react";
import { flownForReal, indexAt, LINES_STAGE, usualErrors, wayOnPlan, type LineFault, type SitePlan } from "@/core";
import type { Setup } from "@/contract";
import { writeDevice } from "@/ui/device/device-storage";
import { PlayerBar } from "@/ui/flight/player-bar";
import { usePlayer } from "@/ui/flight/use-player";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { useAtHand } from "@/ui/shell/at-hand";
import { usePreferences } from "@/ui/theme/preferences";
import { conflictWords, lineFaultWords, lower } from "@/words";
import { draftKey, pairOf, type LineDraft } from "./edits";
import { Copying } from "./copying";
import { HeightProfile } from "./height-profile";
import type { LinesData } from "./load";
import { placingOf } from "./on-site";
import { Pictures } from "./pictures";
import { PlanView } from "./plan-view";
import { Practised, Tries } from "./tries";
import type { Board } from "./use-board";
import type { FlownLine } from "./line-worker";
import { flySafety, useOdds } from "./use-odds";
import { BailOuts, WholeLine } from "./whole-line";

/** The line as it is flown, one moment through all its pictures; `children` stand between the figures and what the pilot sees. */
export function FlownBoard(props: {
  data: LinesData;
  board: Board;
  flown: FlownLine;
  setup: Setup;
  strip: ReactNode;
  /** Asks for the line with one thing changed. */
  onChangeOne: () => void;
  children: ReactNode;
}) {
  const { data, board, flown, setup, strip, onChangeOne, children } = props;
  const { flight } = flown;
  const { line, site, selected, document } = board;
  const { faults } = line;
  const player = usePlayer(flight.measures.durationS);
  useKeys(player.keys);
  const cursor = player.cursorS === null ? null : indexAt(flight.trace, player.cursorS);
  const broken = useMemo(() => new Set(faults.flatMap(({ item }) => (item === null ? [] : [item]))), [faults]);
  const asked = flown.line.items;
  const safety = useOdds();
  const [stage, setStage] = useState(LINES_STAGE);
  const safetyKey = JSON.stringify([line.request, document.style, stage]);
  const practise = usePractise(data.open?.line.id ?? null, document, flown);
  return (
    <>
      <HeightProfile
        flight={flight}
        asked={asked}
        ceilingM={site?.ceilingM ?? null}
        broken={broken}
        selected={selected}
        cursor={cursor}
        onPick={player.setCursorS}
      />
      <PlayerBar player={player} durationS={flight.measures.durationS} what="Moment of the line" />
      <Box sx={{ my: 1 }}>{strip}</Box>
      <WholeFaults faults={faults} />
      {board.plan && <SiteFaults plan={board.plan} board={board} flown={flown} />}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1.3fr) minmax(0,1fr) minmax(0,1fr)" },
          columnGap: 3,
          rowGap: 2,
          mt: 1.5,
        }}
      >
        <PlanView
          line={flown.line}
          flight={flight}
          site={site}
          sitePlan={board.plan}
          windMps={data.day.air.windMps}
          broken={broken}
          cursor={cursor}
        />
        <WholeLine
          asked={asked}
          flight={flight}
          faults={faults}
          freezes={line.freezes}
          entryHeightM={document.line.entryHeightM ?? flight.items[0].entry.heightM}
          safety={safety.state}
          safetyHolds={safety.state.kind === "done" && safety.state.key === safetyKey}
          onFly={() =>
            line.request &&
            safety.start(safetyKey, (pool, onProgress) =>
              flySafety(pool, flown, line.request!, line.freezes, usualErrors(stage), onProgress),
            )
          }
          onStop={safety.cancel}
          stage={stage}
          onStage={setStage}
          onPractise={data.mayChange ? practise : null}
        />
        <BailOuts
          asked={asked}
          flight={flight}
          wayOuts={line.wayOuts}
          pending={line.reportPending}
          refused={line.reportRefused}
        />
      </Box>
      <Flown
        data={data}
        onPractise={data.mayChange && !board.draft.changed ? practise : null}
        onChangeOne={data.mayChange ? onChangeOne : null}
      />
      {children}
      <Box sx={{ mt: 3 }}>
        <Pictures
          line={flown.line}
          flight={flight}
          settings={setup.settings}
          stickMode={data.pilot.stickMode}
          cursor={cursor}
        />
      </Box>
    </>
  );
}

/** What the tries say of the line as it is kept. */
function Flown({
  data: { open, tries, pilot, squadPilots },
  onPractise,
  onChangeOne,
}: {
  data: LinesData;
  onPractise: ((item: number) => void) | null;
  onChangeOne: (() => void) | null;
}) {
  if (!open) return null;
  const { copy, line } = open.line;
  return (
    <>
      <Tries tries={tries.filter(flownForReal)} items={line.items} pilots={squadPilots} onPractise={onPractise} />
      <Practised tries={tries.filter((one) => !flownForReal(one))} items={line.items} />
      {copy && (
        <Copying
          copy={copy}
          tries={tries.filter((one) => one.pilotId === pilot.id && flownForReal(one))}
          pilotName={pilot.name}
          onChangeOne={onChangeOne}
        />
      )}
    </>
  );
}

/** Opens the joint that leads into an item as a line of its own, begun as it is met in the whole. */
function usePractise(lineId: string | null, draft: LineDraft, flown: FlownLine) {
  const router = useRouter();
  const { hrefFor } = useAtHand();
  return (item: number) => {
    const pair = pairOf(draft, item, flown);
    if (!pair) return;
    // Another new line that is not kept yet stays as it is.
    const of = `${lineId ?? "new"}-${item}`;
    writeDevice(draftKey(null, of), { basedOn: 0, document: pair });
    router.push(hrefFor("/lines", { line: "new", of }));
  };
}

/** What the line breaks where it lies on the plan of its site. */
function SiteFaults({ plan, board, flown }: { plan: SitePlan; board: Board; flown: FlownLine }) {
  const { units } = usePreferences();
  const { request, site } = board;
  const { conflicts } = useMemo(() => {
    const { siteElevationM, isaOffsetK, windNorthMps } = request.environment;
    return wayOnPlan(plan, flown.flight.trace, placingOf(plan, flown.line.headingDeg), {
      airframe: request.airframe,
      air: { heightM: siteElevationM, isaOffsetK },
      // Taken from the north, as the line's heading says.
      ...{ windMps: Math.abs(windNorthMps), windFromDeg: 0, ceilingM: null },
    });
  }, [plan, flown, request]);
  return conflicts.map((conflict) => (
    <Typography
      key={`${conflict.kind} ${conflict.featureId}`}
      role="alert"
      sx={{ fontWeight: 600, color: "error.main" }}
    >
      ▲ At {site?.name}: {lower(conflictWords(conflict, units))}
    </Typography>
  ));
}

/** What is said of the whole, at no item. */
function WholeFaults({ faults }: { faults: readonly LineFault[] }) {
  const { units } = usePreferences();
  return faults
    .filter(({ item }) => item === null)
    .map((fault) => (
      <Typography key={JSON.stringify(fault)} color="error.main" sx={{ fontWeight: 600 }}>
        ▲ The line {lineFaultWords(fault, units)}.
      </Typography>
    ));
}
