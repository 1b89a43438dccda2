"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { memo, useMemo, useState, type ReactNode } from "react";
import { indexAt, type FlownTrick, type Obstacle, type Settings, type SpeedMargin, type Trace } from "@/core";
import type { Pilot } from "@/contract";
import type { Trick } from "@/syllabus";
import { CameraView } from "@/ui/flight/camera-view";
import { instructionsFor } from "@/ui/flight/choreography";
import { HorizonRibbon } from "@/ui/flight/horizon-ribbon";
import { InSpace } from "@/ui/flight/in-space";
import { Measured } from "@/ui/flight/measured";
import { PathView } from "@/ui/flight/path-view";
import { PlayerBar } from "@/ui/flight/player-bar";
import { FromTheSide } from "@/ui/flight/from-the-side";
import { seenAt } from "@/ui/flight/seen-at";
import { GLYPH_EVERY_S, travelsFar } from "@/ui/flight/travels";
import { usePlayer } from "@/ui/flight/use-player";
import { Box } from "@/ui/layout/box";
import { Enlarge } from "@/ui/layout/enlarge";
import { FrameLater } from "@/ui/layout/frame-later";
import { PickOne } from "@/ui/forms/pick-one";
import { useKeys } from "@/ui/keys/keys";
import { PlainTable } from "@/ui/layout/plain-table";
import { WhenSeen } from "@/ui/layout/when-seen";
import { StickDials } from "@/ui/sticks/stick-dials";
import { usePreferences } from "@/ui/theme/preferences";
import { numeral, quantityText } from "@/words";
import { FlightGraphs } from "./graphs";
import { comparedInWords } from "./words";

const speeds = [1, 0.5, 0.25] as const;

interface FlightViewsProps {
  readonly trick: FlownTrick;
  readonly settings: Settings;
  readonly pilot: Pilot;
  readonly looksAt: Trick["looksAt"];
  readonly aircraftName: string;
  readonly ceilingM: number | null;
  readonly ghost: { readonly trick: FlownTrick; readonly settings: Settings } | null;
}

/** A flown trick in all its views, with what is flown beside it dashed. */
export const FlightViews = memo(function FlightViews(props: FlightViewsProps) {
  const { trick, settings, pilot, looksAt, aircraftName, ceilingM, ghost } = props;
  const { flight, recipe } = trick;
  const { trace, measures, obstacles } = flight;
  const [speed, setSpeed] = useState<number>(1);
  const player = usePlayer(measures.durationS, speed);
  const { cursorS, setCursorS, keys } = player;
  const travels = travelsFar(trace);
  const [chosenOver, setOver] = useState<"way" | "time" | null>(null);
  const over = chosenOver ?? (travels ? "way" : "time");
  const instructions = useMemo(
    () => instructionsFor({ recipe, flight, stickMode: pilot.stickMode }),
    [recipe, flight, pilot.stickMode],
  );
  const cursor = cursorS === null ? null : indexAt(trace, cursorS);
  const screenKeys = useMemo(
    () => [
      ...keys,
      {
        key: "s",
        label: "Slower, faster",
        run: () => setSpeed((now) => speeds[(speeds.indexOf(now as 1) + 1) % speeds.length]),
      },
      { key: "t", label: "Side view over way or time", run: () => setOver(over === "way" ? "time" : "way") },
    ],
    [keys, over],
  );
  useKeys(screenKeys);
  const beside = ghost?.trick.flight.trace ?? null;
  const current = instructions.filter((one) => one.startS <= trace.timeS[cursor ?? 0]).at(-1);
  const pick = (sample: number) => setCursorS(trace.timeS[Math.max(0, Math.min(trace.timeS.length - 1, sample))]);
  const bar = <PlayerBar player={player} durationS={measures.durationS} />;
  return (
    <Box sx={{ minWidth: 0 }}>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) 290px" },
          columnGap: 3,
          rowGap: 1.5,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <SidePanel {...{ trick, ghost: beside, cursor, ceilingM, instructions, over }} onOver={setOver} bar={bar} />
          <FrameLater frames={2}>
            <HorizonRibbon
              trace={trace}
              tiltDeg={settings.tiltDeg}
              lens={settings.camera}
              cursor={cursor}
              notches={instructions.map(({ startS }) => indexAt(trace, startS))}
              onPick={pick}
            />
          </FrameLater>
          <Phases
            instructions={instructions}
            durationS={measures.durationS}
            current={current?.number ?? null}
            onPick={setCursorS}
          />
          <PlayerBar player={player} durationS={measures.durationS}>
            <PickOne
              label="Speed of play"
              value={speed}
              options={speeds.map((one) => [one, one === 1 ? "1" : `1/${1 / one}`])}
              onPick={setSpeed}
              buttonSx={{ px: 1 }}
            />
          </PlayerBar>
        </Box>
        <FrameLater>
          <FromThePilot {...{ trace, cursor, settings, instructions, obstacles, bar }} stickMode={pilot.stickMode} />
        </FrameLater>
      </Box>
      {ghost && <Beside trick={trick} settings={settings} ghost={ghost} looksAt={looksAt} />}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr)" },
          columnGap: 3,
          rowGap: 1.5,
          mt: 1,
        }}
      >
        <FrameLater frames={3}>
          <Box sx={{ minWidth: 0 }}>
            <Measured trick={trick} looksAt={looksAt} aircraftName={aircraftName} />
            {trick.bySpeed && <SpeedMargins margins={trick.bySpeed} />}
          </Box>
          <FromAboveAndInSpace {...{ trick, ghost: beside, cursor }} />
        </FrameLater>
      </Box>
      <Box sx={{ mt: 2 }}>
        <WhenSeen minHeight={390}>
          <FlightGraphs trace={trace} ghost={beside} cursorS={cursorS} />
        </WhenSeen>
      </Box>
    </Box>
  );
});

type Instructions = ReturnType<typeof instructionsFor>;

/** The path from the side: over the way, or over time where it hardly travels. */
function SidePanel(props: {
  trick: FlownTrick;
  ghost: Trace | null;
  cursor: number | null;
  ceilingM: number | null;
  instructions: Instructions;
  over: "way" | "time";
  onOver: (over: "way" | "time") => void;
  bar: ReactNode;
}) {
  const { trick, ghost, cursor, ceilingM, instructions, over, onOver, bar } = props;
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
        <Typography variant="h2">From the side</Typography>
        <Button size="small" sx={{ minHeight: 26 }} onClick={() => onOver(over === "way" ? "time" : "way")}>
          {over === "way" ? "Show by time" : "Show by distance"}
        </Button>
      </Box>
      <Enlarge title="From the side" below={bar}>
        <FromTheSide
          flight={trick.flight}
          over={over}
          cursor={cursor}
          wayOut={trick.wayOut}
          ghost={ghost}
          ceilingM={ceilingM}
          phases={instructions}
          width={520}
          height={230}
        />
      </Enlarge>
    </>
  );
}

/** What the pilot sees and what their sticks do at one moment. */
function FromThePilot(props: {
  trace: Trace;
  cursor: number | null;
  settings: Settings;
  stickMode: number;
  instructions: Instructions;
  obstacles: readonly Obstacle[];
  bar: ReactNode;
}) {
  const { trace, cursor, settings, stickMode, instructions, obstacles, bar } = props;
  const now = cursor ?? 0;
  const { attitude, lines } = seenAt(trace, now, settings, obstacles);
  const current = instructions.filter((one) => one.startS <= trace.timeS[now]).at(-1);
  return (
    <Box sx={{ minWidth: 0 }}>
      <Enlarge title="Through the camera" below={bar}>
        <CameraView
          title={`At ${numeral(cursor === null ? 0 : trace.timeS[now], 2)} s`}
          attitude={attitude}
          tiltDeg={settings.tiltDeg}
          lens={settings.camera}
          lines={lines}
        />
      </Enlarge>
      <StickDials trace={trace} stickMode={stickMode} phases={instructions} cursor={cursor} />
      <Typography sx={{ minHeight: 44, fontSize: "0.9rem", mt: 0.5 }}>
        {current && (
          <>
            <b className="num">{current.number}</b> {current.text} <b className="num">{current.figure}</b>
          </>
        )}
      </Typography>
    </Box>
  );
}

/** The path from above, and in space to be turned about. */
function FromAboveAndInSpace(props: { trick: FlownTrick; ghost: Trace | null; cursor: number | null }) {
  const { trick, ghost, cursor } = props;
  const { trace, obstacles } = trick.flight;
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography variant="h2">From above</Typography>
      <PathView
        plane="above"
        trace={trace}
        obstacles={obstacles}
        ghost={ghost}
        cursor={cursor}
        everyS={GLYPH_EVERY_S}
        wayOut={trick.wayOut}
        ceilingM={null}
        width={400}
        height={150}
      />
      <InSpace trace={trace} obstacles={obstacles} ghost={ghost} cursor={cursor} height={260} />
    </Box>
  );
}

/** What is different in what is flown beside it. */
function Beside({
  trick,
  settings,
  ghost,
  looksAt,
}: Pick<FlightViewsProps, "trick" | "settings" | "looksAt"> & { ghost: NonNullable<FlightViewsProps["ghost"]> }) {
  const { units } = usePreferences();
  const compared = comparedInWords({ trick, settings }, ghost, looksAt, units);
  return (
    <Box sx={(theme) => ({ borderLeft: `4px dashed ${theme.tokens.slate}`, pl: 1.5, my: 1.5 })}>
      <Typography sx={{ fontWeight: 650 }}>
        The dashed one: {compared.settings.join("; ") || "same settings"}
      </Typography>
      <Typography>{compared.flight.join("; ") || "no difference that would be felt"}</Typography>
    </Box>
  );
}

/** How much time to react each speed of approach leaves. */
function SpeedMargins({ margins }: { margins: readonly SpeedMargin[] }) {
  const { units } = usePreferences();
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Speed against reaction
      </Typography>
      <PlainTable
        label="Speed against reaction"
        head={["flown at", "may react within", "last bail-out before it"]}
        rows={margins.map(({ speedMps, reactionS, leftM }) => [
          quantityText(speedMps, "speed", units),
          reactionS === null ? "too late already" : quantityText(reactionS, "time", units),
          leftM === null ? "–" : quantityText(leftM, "length", units),
        ])}
      />
    </Box>
  );
}

/** The phases as a strip in time; each is a button that goes to its beginning. */
function Phases(props: {
  instructions: readonly { readonly number: number; readonly startS: number; readonly text: string }[];
  durationS: number;
  current: number | null;
  onPick: (timeS: number) => void;
}) {
  const { instructions, durationS, current, onPick } = props;
  return (
    <Box sx={{ display: "flex", width: "100%", mt: 0.5 }}>
      {instructions.map(({ number, startS, text }, i) => {
        const endS = instructions[i + 1]?.startS ?? durationS;
        return (
          <Box
            component="button"
            type="button"
            key={number}
            title={text}
            aria-label={`Phase ${number}: ${text}`}
            onClick={() => onPick(startS)}
            sx={(theme) => ({
              flexGrow: Math.max(0.01, endS - startS),
              flexBasis: 24,
              minWidth: 24,
              minHeight: 26,
              px: 0.5,
              font: "inherit",
              fontSize: "0.78rem",
              textAlign: "left",
              whiteSpace: "nowrap",
              overflow: "hidden",
              cursor: "pointer",
              color: number === current ? theme.tokens.paper : theme.tokens.ink,
              bgcolor: number === current ? theme.tokens.ink : theme.tokens.depths[0],
              border: `1.5px solid ${theme.tokens.ink}`,
              borderRight: i === instructions.length - 1 ? undefined : 0,
            })}
          >
            {/* A word that has no room is in the next line, out of sight: none is cut. */}
            <Box
              component="span"
              sx={{ display: "flex", flexWrap: "wrap", columnGap: 0.5, height: 20, overflow: "hidden" }}
            >
              <b className="num">{number}</b>
              <span>{text.split(",")[0]}</span>
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
