"use client";

import Typography from "@mui/material/Typography";
import { useMemo, type ReactNode } from "react";
import { begunAtM, indexAt, recipes, thrownTurn, type FreezeMargins, type TrickBrief } from "@/core";
import type { Pilot } from "@/contract";
import { findTrick, type Step } from "@/syllabus";
import { Measured } from "@/ui/flight/measured";
import { FromTheSide } from "@/ui/flight/from-the-side";
import { PlayerBar } from "@/ui/flight/player-bar";
import { GLYPH_EVERY_S, travelsFar } from "@/ui/flight/travels";
import { usePlayer } from "@/ui/flight/use-player";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { StickDials } from "@/ui/sticks/stick-dials";
import { usePreferences } from "@/ui/theme/preferences";
import type { StartHeightState } from "@/ui/start-height/use-start-height";
import { quantityText } from "@/words";
import { instructionsFor } from "@/ui/flight/choreography";
import { BriefFigures } from "./figures";

interface FlownTrickProps {
  readonly brief: TrickBrief;
  readonly pilot: Pilot;
  readonly step: Step;
  /** The minimum start height, as far as it is known; null for a trick that belongs at its own. */
  readonly height: StartHeightState | null;
  /** What a freeze costs this pilot. */
  readonly freeze: FreezeMargins;
  readonly aircraftName: string;
  readonly setupNumber: number;
  /** How often a trick at its own height crashes. */
  readonly crashes: ReactNode;
}

/** Sticks, path and figures of the flown trick, held together by one moment in time. */
export function FlownTrick(props: FlownTrickProps) {
  const { brief, pilot, step, height, freeze, aircraftName, setupNumber, crashes } = props;
  const { flight, recipe } = brief;
  const { trace, measures } = flight;
  const { units } = usePreferences();
  const player = usePlayer(measures.durationS);
  const { cursorS, keys } = player;
  const instructions = useMemo(
    () => instructionsFor({ recipe, flight, stickMode: pilot.stickMode }),
    [recipe, flight, pilot.stickMode],
  );
  const cursor = cursorS === null ? null : indexAt(trace, cursorS);
  useKeys(keys);
  const beginM = height?.kind === "known" && height.startHeight !== null ? begunAtM(height.startHeight) : null;
  // Said at the line only once the trick is drawn from there.
  const entryLine =
    beginM === brief.entryHeightM
      ? { heightM: beginM, text: `begin ${quantityText(beginM, "length", units)} up` }
      : null;
  const now = cursor === null ? null : instructions.filter((one) => one.startS <= trace.timeS[cursor]).at(-1);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: {
          xs: "1fr",
          md: "minmax(0,1fr) minmax(0,1fr)",
          lg: "minmax(0,1.05fr) minmax(0,1.15fr) 270px",
        },
        columnGap: 3,
        rowGap: 2,
      }}
    >
      <section aria-labelledby="sticks">
        <Typography variant="h2" id="sticks" sx={{ mb: 1 }}>
          {brief.problem === null ? "What the sticks do" : "What the sticks would do"}{" "}
          <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
            mode {pilot.stickMode}
          </Box>
        </Typography>
        <StickDials trace={trace} stickMode={pilot.stickMode} phases={instructions} cursor={cursor} />
        {brief.problem === null && (
          <Box component="ol" sx={{ listStyle: "none", p: 0, mt: 1, mb: 0 }}>
            {instructions.map((one) => (
              <Box
                component="li"
                key={one.number}
                sx={(theme) => ({
                  display: "flex",
                  gap: 1,
                  py: 0.5,
                  px: 0.5,
                  bgcolor: now?.number === one.number ? theme.tokens.depths[1] : "transparent",
                })}
              >
                <b className="num">{one.number}</b>
                <span>
                  {one.text}{" "}
                  <b className="num" style={{ whiteSpace: "nowrap" }}>
                    {one.figure}
                  </b>
                </span>
              </Box>
            ))}
          </Box>
        )}
      </section>
      <Path brief={brief} instructions={instructions} entryLine={entryLine} player={player} cursor={cursor} />
      {brief.problem === null ? (
        <Figures
          brief={brief}
          step={step}
          height={height}
          freeze={freeze}
          aircraftName={aircraftName}
          setupNumber={setupNumber}
          crashes={crashes}
        />
      ) : (
        <Typography component="section" aria-label="No figures" sx={{ pt: 4 }}>
          No figures for {aircraftName}, setup <span className="num">{setupNumber}</span>: the trick does not work with
          it, so no figure would mean anything. Change the setup first.
        </Typography>
      )}
    </Box>
  );
}

/** The way of the aircraft: from the side, or height over time where it hardly travels. */
function Path({
  brief,
  instructions,
  entryLine,
  player,
  cursor,
}: {
  brief: TrickBrief;
  instructions: ReturnType<typeof instructionsFor>;
  entryLine: { readonly heightM: number; readonly text: string } | null;
  player: ReturnType<typeof usePlayer>;
  cursor: number | null;
}) {
  const { flight, wayOut } = brief;
  const { trace, measures } = flight;
  const travels = travelsFar(trace);
  return (
    <section aria-labelledby="path">
      <Typography variant="h2" id="path">
        {brief.problem === null ? "What the aircraft does" : "What would happen"}{" "}
        <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
          {travels ? "to scale, from the side" : "height over time"}
        </Box>
      </Typography>
      <FromTheSide
        flight={flight}
        cursor={cursor}
        wayOut={wayOut}
        phases={instructions}
        level={entryLine}
        height={330}
      />
      <PlayerBar player={player} durationS={measures.durationS} />
      <Typography sx={{ fontSize: "0.82rem", color: "text.secondary" }}>
        Drawn every <span className="num">{GLYPH_EVERY_S} s</span>; dot = nose, line = thrust direction.
      </Typography>
    </section>
  );
}

/** A flip that comes with the program has figures of its own; of everything else, what a coach would look at. */
function Figures(props: Omit<FlownTrickProps, "pilot">) {
  const { brief, step, height, freeze, aircraftName, setupNumber, crashes } = props;
  const { stopWithinDeg } = step;
  const { id, turn, start } = brief.recipe;
  const thrown = thrownTurn(brief.recipe);
  const known = recipes[id] !== undefined;
  if (known && stopWithinDeg !== null && turn?.axis === "pitch" && start.kind === "hover" && thrown) {
    return (
      <BriefFigures
        brief={brief}
        thrown={thrown}
        step={{ ...step, stopWithinDeg }}
        height={height}
        freeze={freeze}
        aircraftName={aircraftName}
        setupNumber={setupNumber}
      />
    );
  }
  return (
    <Measured
      trick={brief}
      height={height}
      freeze={freeze}
      looksAt={findTrick(step.flownAs?.trick ?? "")?.looksAt ?? []}
      aircraftName={`${aircraftName}, setup ${setupNumber}`}
      crashes={crashes}
    />
  );
}
