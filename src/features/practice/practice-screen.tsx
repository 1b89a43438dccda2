"use client";

import Box from "@mui/material/Box";
import LinearProgress from "@mui/material/LinearProgress";
import ListSubheader from "@mui/material/ListSubheader";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import dynamic from "next/dynamic";
import { useMemo, useState, type ReactNode } from "react";
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
import { tricksOf, type Aircraft, type Setup, type SquadLine } from "@/contract";
import {
  findStep,
  lineDirection,
  LINES_STEP,
  practisedAs,
  practisedDirections,
  stepsPractised,
  type Step,
} from "@/syllabus";
import { PickOne } from "@/ui/forms/pick-one";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { AtSiteControls, type AtSite } from "@/ui/site/at-site";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { usePreferences } from "@/ui/theme/preferences";
import { useNewest } from "@/ui/worker/use-newest";
import { counted, countWords, markWords, refusedWords } from "@/words";
import type { PracticeWorker } from "@/workers/practice.worker";
import { HomeworkList, SetHomework } from "./homework";
import type { PracticeData } from "./load";
import { practiceWorker } from "./practice-worker";
import type { Judged } from "./use-judge";
import { useLog } from "./use-log";
import type { FlownTry } from "./use-try";

/** With the drawing library, which a server has no use for. */
const PracticeBoard = dynamic(() => import("./practice-board").then((board) => board.PracticeBoard), { ssr: false });

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
          why="Drills are flown with one aircraft and its settings, so that comes first."
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

/** How a drill is flown: with the pilot's own modes or with a help, and in which wind. */
interface Chosen {
  readonly help: Help;
  readonly windMps: number;
  readonly at: AtSite | null;
}
const helps = ["own", "self-level", "limit-30"] as const;
type Help = (typeof helps)[number];
const helpNames: Readonly<Record<Help, string>> = {
  own: "Own modes",
  "self-level": "Self-level",
  "limit-30": "Bank limit 30°",
};
/** A head wind at the start, with the gusts that belong to it. */
const winds = [
  [0, "Still air"],
  [3, "Light wind"],
  [6, "Gusty wind"],
] as const;

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

/** The step, its direction or its line, that are practised now. */
function useDrill({ manner, lines, stepId: first }: PracticeData) {
  const syllabus = useSyllabus();
  const withLines = lines.length > 0;
  const stages = useMemo(() => stepsPractised(syllabus, manner, withLines), [syllabus, manner, withLines]);
  const [stepId, setStep] = useState(first ?? stages[0].steps[0].id);
  const step = findStep(syllabus, stepId) ?? stages[0].steps[0];
  const directions = practisedDirections(step, manner);
  const [wanted, setDirection] = useState("");
  const [lineId, setLine] = useState("");
  const line = step.id === LINES_STEP ? (lines.find(({ id }) => id === lineId) ?? lines.at(0) ?? null) : null;
  const direction = line
    ? lineDirection(step, tricksOf(line.line.items).length)
    : (directions.find(({ id }) => id === wanted) ?? directions[0]).id;
  return { stages, step, setStep, directions, direction, setDirection, line, setLine };
}

function Practice(props: { data: PracticeData; aircraft: Aircraft; setup: Setup; nowMs: number }) {
  const { data, aircraft, setup, nowMs } = props;
  const { pilot, manner, tries, lines } = data;
  const { units } = usePreferences();
  const { stages, step, setStep, directions, direction, setDirection, line, setLine } = useDrill(data);
  const [chosen, choose] = useState<Chosen>({ help: "own", windMps: 0, at: null });
  // Nothing is turned over with a help that keeps it level, and what a step is about is left to it.
  const practised = practisedAs(step, direction, manner);
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
    const attempt = log(step, direction, one, flown);
    setTried((before) => ({ ...before, [step.id]: [...(before[step.id] ?? []), attempt] }));
  };
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 1 }}>
        <Typography variant="h1" sx={{ mr: 1 }}>
          Practice
        </Typography>
        <HeadSelect label="Drill" value={step.id} onPick={setStep}>
          {drillOptions(stages)}
        </HeadSelect>
        {line && (
          <HeadSelect label="Line" value={line.id} onPick={setLine}>
            {lines.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </HeadSelect>
        )}
        {!line && directions.length > 1 && (
          <PickOne
            label="Direction"
            value={direction}
            options={directions.map(({ id, name }) => [id, name] as const)}
            onPick={setDirection}
          />
        )}
        <Conditions chosen={chosen} helped={helped} onChoose={choose} />
        {practised?.kind === "trick" && data.sites.length > 0 && (
          <Box sx={{ width: 220 }}>
            <AtSiteControls sites={data.sites} at={chosen.at} onChange={(at) => choose({ ...chosen, at })} />
          </Box>
        )}
        <FlownWith pilotName={pilot.name} aircraftName={aircraft.name} setup={setup} tries={tries[step.id]} />
        {data.setsHomework && (
          <Box sx={{ ml: "auto" }}>
            <SetHomework {...{ data, step, nowMs }} />
          </Box>
        )}
      </Box>
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
      {pending && <LinearProgress aria-label="The model flies it first" sx={{ my: 1 }} />}
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

/** Who flies it with what, and how often it was practised. */
function FlownWith(props: {
  pilotName: string;
  aircraftName: string;
  setup: Setup;
  tries: PracticeData["tries"][string] | undefined;
}) {
  const { pilotName, aircraftName, setup, tries } = props;
  return (
    <Typography sx={{ color: "text.secondary" }}>
      {pilotName} with {aircraftName}, setup <span className="num">{setup.number}</span>
      {tries && (
        <>
          {" "}
          · practised: <b className="num">{tries.clean}</b> clean of <span className="num">{tries.all}</span>
        </>
      )}
    </Typography>
  );
}

/** One of a list, in the head of the screen. */
function HeadSelect(props: { label: string; value: string; onPick: (value: string) => void; children: ReactNode }) {
  const { label, value, onPick, children } = props;
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      onChange={({ target }) => onPick(target.value)}
      sx={{ minWidth: 240 }}
    >
      {children}
    </TextField>
  );
}

/** The drills by stage, in the order of learning. */
const drillOptions = (stages: ReturnType<typeof stepsPractised>) =>
  stages.flatMap(({ stage, name, steps }) => [
    <ListSubheader key={stage}>
      {stage} {name}
    </ListSubheader>,
    ...steps.map(({ id, name: stepName }) => (
      <MenuItem key={id} value={id}>
        {stepName}
      </MenuItem>
    )),
  ]);

/** The air it is flown in, and what helps. */
function Conditions(props: { chosen: Chosen; helped: boolean; onChoose: (chosen: Chosen) => void }) {
  const { chosen, helped, onChoose } = props;
  return (
    <>
      <PickOne
        label="Air"
        value={chosen.windMps}
        options={winds}
        onPick={(windMps) => onChoose({ ...chosen, windMps })}
      />
      {helped && (
        <PickOne
          label="Help"
          value={chosen.help}
          options={helps.map((one) => [one, helpNames[one]] as const)}
          onPick={(help) => onChoose({ ...chosen, help })}
        />
      )}
    </>
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
      {broken && <Typography color="error.main">▲ This device keeps nothing: {broken}</Typography>}
    </Box>
  );
}
