"use client";

import Typography from "@mui/material/Typography";
import dynamic from "next/dynamic";
import { useState } from "react";
import {
  environmentOn,
  judge,
  leavesOf,
  markIn,
  type Attempt,
  type PracticeRequest,
  type PreparedDrill,
  type Settings,
} from "@/core";
import type { Aircraft, Setup, SquadLine } from "@/contract";
import { practisedAs, type Step } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { Progress } from "@/ui/layout/progress";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { usePreferences } from "@/ui/theme/preferences";
import { useNewest } from "@/ui/worker/use-newest";
import { counted, countWords, markWords, refusedWords } from "@/words";
import type { PracticeWorker } from "@/workers/practice.worker";
import { EarlierTries } from "./earlier-tries";
import { HomeworkList } from "./homework";
import type { PracticeData } from "./load";
import { PracticeHead, useDrill, type Chosen, type Help } from "./practice-head";
import { practiceWorker } from "./practice-worker";
import type { Judged } from "./use-judge";
import { useLog } from "./use-log";
import type { FlownTry } from "./use-try";

/** With the drawing library, which a server has no use for. */
const PracticeBoard = dynamic(() => import("./practice-board").then((board) => board.PracticeBoard), { ssr: false });

/** About as high as the board is, at a desk. */
const BOARD_PX = { xs: 0, md: 560 };

/** The drills flown by hand in the model, with the pilot's own aircraft and settings. */
export function PracticeScreen({ data, nowMs }: { data: PracticeData; nowMs: number }) {
  const { pilot, aircraft, setup } = data;
  if (!aircraft || !setup)
    return (
      <>
        <Typography variant="h1">Practice</Typography>
        <NeedsSetup
          pilotName={pilot.name}
          aircraftName={aircraft?.name ?? null}
          why="Drills are flown with one aircraft and its settings, so set those up first."
        />
      </>
    );
  return <Practice {...{ data, aircraft, setup, nowMs }} />;
}

/** Tries of this sitting, by step. */
type Tried = Readonly<Record<string, readonly Attempt[]>>;

/** The server may date a try a little otherwise than the device, ms. */
const SAME_MS = 1000;

/** Those of them that the page has not read back yet. */
const unread = (tried: Tried, recent: PracticeData["recent"]): Tried =>
  Object.fromEntries(
    Object.entries(tried).map(([stepId, own]) => [
      stepId,
      own.filter(({ atMs }) => !(recent[stepId] ?? []).some((one) => Math.abs(one.atMs - atMs) < SAME_MS)),
    ]),
  );

/** The pilot's settings, with what the step is about or what helps. */
function settingsFor({ settings }: Setup, { wants }: Step, help: Help): Settings {
  const { modes } = settings;
  if (help === "self-level") return { ...settings, modes: { ...modes, selfLevel: true } };
  if (help === "limit-30") return { ...settings, modes: { ...modes, bankLimitDeg: 30 } };
  const { selfLevel = modes.selfLevel, bankLimitDeg = modes.bankLimitDeg } = wants ?? {};
  return { ...settings, modes: { ...modes, selfLevel, bankLimitDeg } };
}

/** What the model is to work out; null for what is not practised. */
function requestOf(
  { manner, day }: PracticeData,
  step: Step,
  direction: string,
  line: SquadLine | null,
  airframe: Aircraft["airframe"],
  settings: Settings,
  { windMps, at }: Chosen,
): PracticeRequest | null {
  const practised = line
    ? ({ kind: "line", line: { id: line.id, label: line.name, ...line.line } } as const)
    : practisedAs(step, direction, manner);
  const air = environmentOn({ ...day.air, windMps: 0 });
  return (
    practised && {
      ...practised,
      ...{ id: `${step.id} ${line?.name ?? direction}`, airframe, settings },
      environment: { ...air, windNorthMps: windMps === 0 ? 0 : -windMps, ...(at && { obstacles: at.obstacles }) },
    }
  );
}

function Practice(props: { data: PracticeData; aircraft: Aircraft; setup: Setup; nowMs: number }) {
  const { data, aircraft, setup, nowMs } = props;
  const { pilot } = data;
  const { units } = usePreferences();
  const drill = useDrill(data);
  const { step, setStep, direction, line, practised } = drill;
  const [chosen, choose] = useState<Chosen>({ help: "own", windMps: 0, at: null });
  // Nothing is turned over with a help that keeps it level, and what a step is about is left to it.
  const helped = practised?.kind === "figure" && !step.wants;
  const help = helped ? chosen.help : "own";
  const settings = settingsFor(setup, step, help);
  const request = requestOf(data, step, direction, line, aircraft.airframe, settings, chosen);
  const { result, pending } = useNewest<PracticeRequest, PreparedDrill, PracticeWorker>(
    request,
    practiceWorker,
    (remote, asked) => remote.prepareDrill(asked),
  );
  const prepared = result?.kind === "answer" && !pending ? result.answer : null;
  const { log, ...kept } = useLog(data);
  const [tried, setTried] = useState<Tried>({});
  const since = unread(tried, data.recent);
  const [notCounted, setNotCounted] = useState(false);
  const judged = (one: Judged, flown: FlownTry) => {
    // With a help, or slowed down, it is learning, and counts for nothing.
    if (help !== "own" || flown.slowed) return setNotCounted(true);
    setNotCounted(false);
    const attempt = log(step, { direction, line }, one, flown);
    setTried((before) => ({ ...before, [step.id]: [...(before[step.id] ?? []), attempt] }));
  };
  return (
    <>
      <PracticeHead {...{ data, drill, chosen, helped, setup, nowMs }} aircraftName={aircraft.name} onChoose={choose} />
      <MarkHere step={step} attempts={[...(data.recent[step.id] ?? []), ...(since[step.id] ?? [])]} />
      <HomeworkList {...{ data, step, nowMs, since }} onPractise={setStep} />
      {notCounted && (
        <Typography role="status" sx={{ mb: 1 }}>
          The last try does not count: it was flown with a help, or slower than real time.
        </Typography>
      )}
      <Kept {...kept} />
      {result?.kind === "refused" && !pending && (
        <Typography role="alert" color="error.main">
          ▲ {refusedWords(result.why, units)}
        </Typography>
      )}
      {/* Its room from the start: what stands below stays where it is. */}
      <Box sx={{ minHeight: BOARD_PX }}>
        {pending && (
          <Box sx={{ py: 1 }}>
            <Progress aria-label="The model flies it first" />
          </Box>
        )}
        {prepared && (
          <PracticeBoard
            key={`${step.id} ${line?.id ?? direction} ${help} ${chosen.windMps} ${chosen.at?.siteId} ${chosen.at?.headingDeg}`}
            prepared={prepared}
            airframe={aircraft.airframe}
            settings={settings}
            pilot={pilot}
            keepsReaction={data.setsHomework}
            aim={step.aim}
            onJudged={judged}
          />
        )}
      </Box>
      {prepared && (
        <EarlierTries
          key={`${step.id} ${line?.id ?? direction}`}
          tries={data.earlier.filter(
            (one) => one.stepId === step.id && (line ? one.lineId === line.id : one.direction === direction),
          )}
          ghost={prepared.ghost}
          stickMode={pilot.stickMode}
        />
      )}
    </>
  );
}

/** How the step's own mark stands in the simulator. */
function MarkHere({ step, attempts }: { step: Step; attempts: readonly Attempt[] }) {
  const { units } = usePreferences();
  if (attempts.length === 0) return null;
  const mark = markIn(step.mark, "simulator");
  const judged = judge(
    mark,
    attempts,
    step.directions.map(({ id }) => id),
  );
  const nameOf = (direction: string | null) => step.directions.find(({ id }) => id === direction)?.name;
  const counts = leavesOf(judged).map(({ count, direction }) =>
    [step.directions.length > 1 ? nameOf(direction) : undefined, countWords(count, units)].filter(Boolean).join(" "),
  );
  return (
    <Typography role="status" sx={{ mb: 1 }}>
      {judged.met ? "■ Pass mark met" : "◆ Pass mark"}: {markWords(mark, units)}. So far {counts.join(", ")}.
    </Typography>
  );
}

/** Tries that the server does not have yet, or will not take. */
function Kept({ waiting, refused, broken }: Omit<ReturnType<typeof useLog>, "log">) {
  return (
    <Box role="status">
      {waiting > 0 && (
        <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
          {counted(waiting, "try", "tries")} saved on this device, not sent yet.
        </Typography>
      )}
      {refused.map((why, i) => (
        <Typography key={i} color="error.main">
          ✕ A try was not taken: {why}
        </Typography>
      ))}
      {broken && <Typography color="error.main">▲ This device can’t save anything: {broken}</Typography>}
    </Box>
  );
}
