"use client";

import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { Progress } from "@/ui/layout/progress";
import { usePreferences } from "@/ui/theme/preferences";
import { percent, problemWords, refusedWords } from "@/words";
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import type { Aircraft, Setup } from "@/contract";
import {
  environmentOn,
  freezeMargins,
  type DayAir,
  type Recipe,
  type Settings,
  airOfDay,
  punchStick,
  throttleAtStick,
} from "@/core";
import {
  ownVariantOf,
  recipeOf,
  skillOf,
  standardDay,
  startHeightInputsOf,
  type Step,
  stepName,
  stepTitle,
} from "@/syllabus";
import { AirLine } from "@/ui/air/air-line";
import { useAtHand } from "@/ui/shell/at-hand";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { CrashFigure } from "./crash-figure";
import { useStartHeight } from "@/ui/start-height/use-start-height";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { cautionsFor } from "./cautions";
import type { BriefData } from "./load";
import { FlownTrick, GapPanel, PunchLadder, Readiness, StickQuiz } from "./parts";
import { useBrief, type BriefState } from "./use-brief";
import { WindWords } from "./wind-words";
import { useStep } from "./use-step";
import { LowerThird } from "./lower-third";
import { BriefTitle, DirectionToggle } from "./brief-title";

/** Brief: one step for one pilot on one aircraft, everything computed for exactly these. */
export function BriefScreen({ data }: { data: BriefData }) {
  const { pilot, aircraft, setup } = data;
  const { coaches, hrefFor } = useAtHand();
  const step = useStep(data);
  const recipe = recipeOf(step, data.direction, data);
  if (!recipe)
    return (
      <>
        <BriefTitle data={data} />
        <BySight data={data} step={step} />
        <OwnGap data={data} step={step} air={data.day.air} />
        {step.id === QUIZ_STEP && <StickQuiz key={data.pilot.id} data={data} />}
        <LowerThird data={data} state={NOT_FLOWN} />
      </>
    );
  if (!aircraft || !setup) {
    return (
      <>
        <BriefTitle data={data} />
        <NeedsSetup
          pilotName={pilot.name}
          aircraftName={aircraft?.name ?? null}
          why="The numbers of a brief are computed for one aircraft with its settings, so set those up first."
        />
      </>
    );
  }
  return (
    <>
      <BriefTitle data={data} />
      <FullBrief
        data={data}
        aircraft={aircraft}
        setup={setup}
        recipe={recipe}
        setupHref={hrefFor("/setup")}
        worksOut={coaches}
      />
    </>
  );
}

/** The same in the field, from what is kept on the device: nothing of it leads anywhere. */
export function FieldBrief({ data: kept, onDirection }: { data: BriefData; onDirection: (id: string) => void }) {
  // A packet that an older version of the program kept on this device knows of no own ways, has the measures elsewhere and no air.
  const data = {
    ...kept,
    own: kept.own ?? [],
    measured: kept.measured ?? {},
    day: kept.day ?? standardDay,
    startHeights: kept.startHeights ?? {},
  };
  const { aircraft, setup } = data;
  const step = useStep(data);
  const recipe = recipeOf(step, data.direction, data);
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 1 }}>
        <Typography variant="h1">{stepTitle(step, data.direction)}</Typography>
        <DirectionToggle step={step} direction={data.direction} onChange={onDirection} />
      </Box>
      {recipe && aircraft && setup ? (
        <FullBrief data={data} aircraft={aircraft} setup={setup} recipe={recipe} setupHref={null} worksOut={false} />
      ) : (
        <>
          {!recipe && <BySight data={data} step={step} />}
          <LowerThird data={data} state={NOT_FLOWN} />
        </>
      )}
    </>
  );
}

/** A step that no model can judge: what to look at instead of numbers. */
function BySight({ data, step }: { data: BriefData; step: Step }) {
  return (
    <>
      <Before data={data} />
      {data.aircraft && data.setup && (
        <Warnings
          data={data}
          aircraft={data.aircraft}
          settings={data.setup.settings}
          state={NOT_FLOWN}
          setupHref={null}
        />
      )}
      <Typography sx={{ fontSize: "1.05rem", maxWidth: 640 }}>{step.aim}</Typography>
      <Box
        component="section"
        aria-labelledby="look-at"
        sx={(theme) => ({
          my: 2,
          py: 1,
          px: 2,
          borderLeft: `6px solid ${theme.tokens.shoal}`,
          bgcolor: theme.tokens.sheet,
        })}
      >
        <Typography variant="h2" id="look-at">
          What to look at
        </Typography>
        <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
          No simulation for this step: judge it by eye.
        </Typography>
        <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5 }}>
          {step.lookAt.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </Box>
      </Box>
    </>
  );
}

/** Skills that are flown at a gap. */
const gapSkills: readonly string[] = ["gap", "knife-edge"];

/** The gap that stands there, for a step that is flown at one. */
function OwnGap({ data, step, air }: { data: BriefData; step: Step; air: DayAir }) {
  const skill = skillOf(useSyllabus(), step);
  const { aircraft, setup, pilot } = data;
  if (!gapSkills.includes(skill.id) || !aircraft || !setup) return null;
  const { reactionS } = freezeMargins(skill.stage, pilot.reactionS);
  return (
    <GapPanel
      key={aircraft.id}
      aircraft={aircraft}
      settings={setup.settings}
      stage={skill.stage}
      reactionS={reactionS}
      air={air}
    />
  );
}

/** The trick that is about how punch buys time. */
const LADDER_TRICK = "hang";

/** What each length of punch buys, for counting against. */
function Ladder({ aircraft, settings, air: day }: { aircraft: Aircraft; settings: Settings; air: DayAir }) {
  const air = useMemo(() => airOfDay(day), [day]);
  const stick = punchStick(aircraft.airframe, settings, air);
  // That it cannot hover is said above.
  if (stick === null) return null;
  return (
    <Box component="section" aria-labelledby="ladder" sx={{ mt: 2 }}>
      <Typography variant="h2" id="ladder" sx={{ mb: 0.5 }}>
        Punch ladder, <span className="num">{percent(stick)}</span> stick
      </Typography>
      <PunchLadder
        aircraft={aircraft}
        settings={settings}
        air={air}
        stick={stick}
        command={throttleAtStick(settings.throttle, stick)}
      />
    </Box>
  );
}

/** The step that is asked rather than flown. */
const QUIZ_STEP = "sticks";
/** About as high as a flown trick is on a phone and at a desk. */
const FLOWN_PX = { xs: 1180, md: 470 };
const NOT_FLOWN: BriefState = { kind: "computing" };

function FullBrief({
  data,
  aircraft,
  setup,
  recipe,
  setupHref,
  worksOut,
}: {
  data: BriefData;
  aircraft: Aircraft;
  setup: Setup;
  recipe: Recipe;
  setupHref: string | null;
  /** Whether a minimum start height that nobody worked out yet is worked out here. */
  worksOut: boolean;
}) {
  const step = useStep(data);
  const syllabus = useSyllabus();
  const [changedAir, setAir] = useState<DayAir | null>(null);
  const air = changedAir ?? data.day.air;
  const { airframe } = aircraft;
  const { settings } = setup;
  const { reactionS } = data.pilot;
  const freeze = freezeMargins(skillOf(syllabus, step).stage, reactionS);
  const inputs = startHeightInputsOf(syllabus, step, data.direction, {
    airframe,
    settings,
    manner: data,
    day: air,
    reactionS,
  });
  const kept = changedAir === null ? (data.startHeights[data.direction] ?? null) : null;
  const height = useStartHeight(inputs, { kept, worksOut });
  const known = height.kind === "known" ? height.startHeight : null;
  const state = useBrief({ recipe, airframe, settings, day: air, freeze }, known);
  return (
    <>
      <Before data={data} />
      <OwnWay data={data} step={step} />
      <Warnings data={data} aircraft={aircraft} settings={setup.settings} state={state} setupHref={setupHref} />
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 2, mb: 1 }}>
        <AirLine day={data.day} air={air} onChange={setAir} />
        {state.kind === "done" && state.wind && <WindWords wind={state.wind} />}
      </Box>
      {/* Its room while it is flown: what stands below stays where it is. */}
      <Box sx={{ minHeight: state.kind === "impossible" ? 0 : FLOWN_PX }}>
        {state.kind === "computing" && (
          <Box sx={{ py: 6, maxWidth: 420 }}>
            <Typography sx={{ mb: 1 }}>Flying it in the model with {aircraft.name}</Typography>
            <Progress aria-label="Flying it in the model" />
          </Box>
        )}
        {state.kind === "done" && (
          <FlownTrick
            brief={state.brief}
            height={inputs && height}
            freeze={freeze}
            pilot={data.pilot}
            step={step}
            setupNumber={setup.number}
            aircraftName={aircraft.name}
            crashes={
              state.brief.recipe.entryHeightM === undefined || !worksOut ? null : (
                <CrashFigure
                  recipe={state.brief.recipe}
                  flown={{ airframe, settings, environment: environmentOn(air) }}
                  stage={skillOf(syllabus, step).stage}
                />
              )
            }
          />
        )}
      </Box>
      <OwnGap data={data} step={step} air={air} />
      {step.flownAs?.trick === LADDER_TRICK && <Ladder aircraft={aircraft} settings={settings} air={air} />}
      <LowerThird
        data={data}
        state={state}
        readiness={
          state.kind === "done" && state.brief.problem === null ? (
            <Readiness data={data} step={step} aircraft={aircraft} setup={setup} brief={state.brief} air={air} />
          ) : null
        }
      />
    </>
  );
}

/** What wants doing before this step. */
function Before({ data }: { data: BriefData }) {
  const syllabus = useSyllabus();
  const { needsFirst, simulatorFirst } = data.standing;
  if (needsFirst.length === 0 && !simulatorFirst) return null;
  return (
    <Alert severity="warning" role="note" sx={{ mb: 1.5 }}>
      {needsFirst.length > 0 && <div>Do first: {needsFirst.map((id) => stepName(syllabus, id)).join(", ")}.</div>}
      {simulatorFirst && <div>Sim first: meet the pass mark in the simulator before the field.</div>}
    </Alert>
  );
}

/** That the trick is flown in a way of the squad's own, and which. */
function OwnWay({ data, step }: { data: BriefData; step: Step }) {
  const own = ownVariantOf(step.flownAs, data.direction, data);
  if (!own) return null;
  return (
    <Typography sx={{ mb: 1, fontSize: "0.95rem" }}>
      This squad&apos;s version: <b>{own.name}</b>.
    </Typography>
  );
}

function Warnings({
  data,
  aircraft,
  settings,
  state,
  setupHref,
}: {
  data: BriefData;
  aircraft: Aircraft;
  settings: Settings;
  state: BriefState;
  setupHref: string | null;
}) {
  const { units } = usePreferences();
  const step = useStep(data);
  const found = cautionsFor(step, skillOf(useSyllabus(), step).stage, aircraft, settings);
  const unsolved = state.kind === "done" ? state.brief.problem : null;
  const problem =
    state.kind === "impossible" ? refusedWords(state.why, units) : unsolved && problemWords(unsolved, units);
  if (found.length === 0 && problem === null) return null;
  return (
    <Alert
      severity={problem ? "error" : "warning"}
      sx={{ mb: 1.5 }}
      action={
        setupHref && (
          <Button color="inherit" component={Link} href={setupHref}>
            Setup
          </Button>
        )
      }
    >
      {problem && <b>Does not work with these settings: {problem}.</b>}
      {found.map((line) => (
        <div key={line}>{line}</div>
      ))}
    </Alert>
  );
}
