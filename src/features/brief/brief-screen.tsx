"use client";

import { adviceWords, capital, markWords, problemWords } from "@/words";
import ChevronLeftIcon from "@mui/icons-material/ChevronLeft";
import ChevronRightIcon from "@mui/icons-material/ChevronRight";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState, type ReactNode } from "react";
import type { Aircraft, Setup } from "@/contract";
import { environmentOn, freezeMargins, type DayAir, type Recipe, type Settings } from "@/core";
import {
  cueFor,
  directionNames,
  findStep,
  ownVariantOf,
  pathOf,
  recipeOf,
  routeOf,
  schoolQuestions,
  sideOf,
  skillOf,
  standardDay,
  startHeightInputsOf,
  type Step,
  stepBefore,
  stepName,
  stepTitle,
} from "@/syllabus";
import { AirLine } from "@/ui/air/air-line";
import { BailCreditLine } from "@/ui/evidence/bail-credit";
import { EvidenceLine } from "@/ui/evidence/evidence-line";
import { PickOne } from "@/ui/forms/pick-one";
import { useKeys } from "@/ui/keys/keys";
import { StateMark } from "@/ui/marks/marks";
import { useAtHand } from "@/ui/shell/at-hand";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { CrashFigure } from "./crash-figure";
import { useStartHeight } from "@/ui/start-height/use-start-height";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { Num } from "@/ui/units/figure";
import { cautionsFor } from "./cautions";
import { FlownTrick } from "./flown-trick";
import { GapPanel } from "./gap-panel";
import type { BriefData } from "./load";
import { Readiness } from "./readiness";
import { StickQuiz } from "./stick-quiz";
import { useBrief, type BriefState } from "./use-brief";
import { WindWords } from "./wind-words";

/** Brief: one step for one pilot on one aircraft, everything computed for exactly these. */
export function BriefScreen({ data }: { data: BriefData }) {
  const { pilot, aircraft, setup } = data;
  const { coaches, hrefFor } = useAtHand();
  const step = useStep(data);
  const recipe = recipeOf(step, data.direction, data);
  if (!recipe)
    return (
      <>
        <Title data={data} />
        <BySight data={data} step={step} />
        <OwnGap data={data} step={step} air={data.day.air} />
        {step.id === QUIZ_STEP && <StickQuiz key={data.pilot.id} data={data} />}
        <LowerThird data={data} state={NOT_FLOWN} />
      </>
    );
  if (!aircraft || !setup) {
    return (
      <>
        <Title data={data} />
        <NeedsSetup
          pilotName={pilot.name}
          aircraftName={aircraft?.name ?? null}
          why="The numbers of a brief are computed for one aircraft with its settings, so that comes first."
        />
      </>
    );
  }
  return (
    <>
      <Title data={data} />
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

/** The step of a brief, as the syllabus at hand has it. */
function useStep(data: BriefData): Step {
  return findStep(useSyllabus(), data.standing.stepId)!;
}

/** A step that no model can judge: what to look at instead of numbers. */
function BySight({ data, step }: { data: BriefData; step: Step }) {
  return (
    <>
      <Before data={data} />
      <Typography sx={{ fontSize: "1.05rem", maxWidth: 640 }}>{step.aim}</Typography>
      <Box
        component="section"
        aria-labelledby="look-at"
        sx={(theme) => ({
          my: 2,
          py: 1.2,
          px: 2,
          borderLeft: `6px solid ${theme.tokens.shoal}`,
          bgcolor: theme.tokens.sheet,
        })}
      >
        <Typography variant="h2" id="look-at">
          What to look at
        </Typography>
        <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
          This is not flown in the model: no number would say whether it is good. The eye does.
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

/** The step that is asked rather than flown. */
const QUIZ_STEP = "sticks";
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
      {state.kind === "computing" && (
        <Box sx={{ py: 6, maxWidth: 420 }}>
          <Typography sx={{ mb: 1 }}>Flying it in the model with {aircraft.name}</Typography>
          <LinearProgress aria-label="Flying it in the model" />
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
      <OwnGap data={data} step={step} air={air} />
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

/** A fault tapped this often lately is mended first. */
const OFTEN = 3;

/** The faults of a step, those seen often lately first. */
function faultsFirst(step: Step, counts: Readonly<Record<string, number>>): Step["faults"] {
  const often = (id: string) => ((counts[id] ?? 0) >= OFTEN ? counts[id] : 0);
  return [...step.faults].sort((a, b) => often(b.id) - often(a.id));
}

/** What wants doing before this step. */
function Before({ data }: { data: BriefData }) {
  const syllabus = useSyllabus();
  const { needsFirst, simulatorFirst } = data.standing;
  if (needsFirst.length === 0 && !simulatorFirst) return null;
  return (
    <Alert severity="warning" role="note" sx={{ mb: 1.5 }}>
      {needsFirst.length > 0 && (
        <div>Not signed off yet, and wanted first: {needsFirst.map((id) => stepName(syllabus, id)).join(", ")}.</div>
      )}
      {simulatorFirst && (
        <div>In the simulator first: the school asks for the mark to be met there before the field.</div>
      )}
    </Alert>
  );
}

/** That the trick is flown in a way of the squad's own, and which. */
function OwnWay({ data, step }: { data: BriefData; step: Step }) {
  const own = ownVariantOf(step.flownAs, data.direction, data);
  if (!own) return null;
  return (
    <Typography sx={{ mb: 1, fontSize: "0.95rem" }}>
      Flown in a way of this squad&apos;s own: <b>{own.name}</b>. Sticks, path and figures are of that.
    </Typography>
  );
}

/** Where practitioners disagree about this step: the side that is flown here, and what it gains. */
function SchoolLines({ step, data }: { step: Step; data: BriefData }) {
  const asked = schoolQuestions.filter(({ steps }) => steps.includes(step.id));
  return asked.map((question) => {
    const side = sideOf(data.school, question.id);
    return (
      <Typography key={question.id} sx={{ mt: 1, fontSize: "0.9rem" }}>
        <b>
          {question.name}: {side.name}.
        </b>{" "}
        {side.gains}
      </Typography>
    );
  });
}

function Title({ data }: { data: BriefData }) {
  const syllabus = useSyllabus();
  const step = useStep(data);
  const route = routeOf(data.school);
  const path = pathOf(syllabus, route);
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const go = useMemo(
    () => (stepId: string, direction: string) => router.push(hrefFor("/brief", { step: stepId, direction })),
    [router, hrefFor],
  );
  const at = path.findIndex((one) => one.id === step.id);
  const before = stepBefore(syllabus, step, route);
  const after = path[at + 1];
  const other = step.directions.find(({ id }) => id !== data.direction);
  const keys = useMemo(
    () => [
      ...(other ? [{ key: "d", label: `The other direction: ${other.name}`, run: () => go(step.id, other.id) }] : []),
      ...(before ? [{ key: "p", label: `Step before: ${before.name}`, run: () => go(before.id, data.direction) }] : []),
      ...(after ? [{ key: "n", label: `Next step: ${after.name}`, run: () => go(after.id, data.direction) }] : []),
    ],
    [go, step, other, before, after, data.direction],
  );
  useKeys(keys);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1.5, rowGap: 1, mb: 1 }}>
      <Box sx={{ display: "flex", ml: -1, mr: -1 }}>
        <IconButton
          size="small"
          aria-label={before ? `Step before: ${before.name}` : "No step before"}
          disabled={!before}
          onClick={() => before && go(before.id, data.direction)}
        >
          <ChevronLeftIcon />
        </IconButton>
        <IconButton
          size="small"
          aria-label={after ? `Next step: ${after.name}` : "No next step"}
          disabled={!after}
          onClick={() => after && go(after.id, data.direction)}
        >
          <ChevronRightIcon />
        </IconButton>
      </Box>
      <Typography variant="h1">{stepTitle(step, data.direction)}</Typography>
      <Box component="span" sx={{ fontSize: "0.95rem" }}>
        <StateMark state={data.standing.reviewDue ? "due" : data.standing.state} />{" "}
        {syllabus.stages[skillOf(syllabus, step).stage]}
        {at >= 0 ? (
          <>
            , step <b className="num">{at + 1}</b> of <b className="num">{path.length}</b>
          </>
        ) : (
          ", beside the route"
        )}
        {!data.isCurrent && data.standing.state !== "signed-off" && " · not the current step"}
      </Box>
      <Box sx={{ flex: 1 }} />
      {step.flownAs && (
        <Button component={Link} href={hrefFor("/lab", { step: step.id })}>
          In the lab
        </Button>
      )}
      <DirectionToggle step={step} direction={data.direction} onChange={(direction) => go(step.id, direction)} />
    </Box>
  );
}

function DirectionToggle(props: { step: Step; direction: string; onChange: (id: string) => void }) {
  const { step, direction, onChange } = props;
  if (step.directions.length < 2) return null;
  return (
    <PickOne
      label="Direction"
      value={direction}
      options={step.directions.map(({ id, name }) => [id, name])}
      onPick={onChange}
      buttonSx={{ px: 1.5 }}
    />
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
  const found = cautionsFor(useStep(data), aircraft, settings);
  const unsolved = state.kind === "done" ? state.brief.problem : null;
  const problem = state.kind === "impossible" ? state.why : unsolved && problemWords(unsolved);
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
      {problem && <b>Does not go with these settings: {problem}.</b>}
      {found.map((line) => (
        <div key={line}>{line}</div>
      ))}
    </Alert>
  );
}

function LowerThird(props: { data: BriefData; state: BriefState; readiness?: ReactNode }) {
  const { data, state, readiness = null } = props;
  const step = useStep(data);
  const brief = state.kind === "done" ? state.brief : null;
  return (
    <Box
      sx={(theme) => ({
        mt: 2,
        pt: 1.5,
        borderTop: `1.5px solid ${theme.tokens.ink}`,
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "1fr 1.15fr 1fr" },
        columnGap: 4,
        rowGap: 2.5,
      })}
    >
      <section aria-labelledby="do">
        <Typography variant="h2" id="do">
          Do
        </Typography>
        <Box component="ol" sx={{ pl: 2.5, my: 0.5, "& li": { mb: 0.5 } }}>
          {step.drill.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </Box>
        <Typography variant="h2" sx={{ mt: 1.5 }}>
          Way out
        </Typography>
        <Typography sx={{ mt: 0.5 }}>
          {step.wayOut} {sideOf(data.school, "trouble").does}
        </Typography>
        <Typography sx={{ mt: 1 }}>
          <b>Settings.</b> {step.settings}
          {step.heightM !== null && (
            <>
              {" "}
              Begin <Num value={step.heightM} quantity="length" digits={1} /> up.
            </>
          )}
        </Typography>
        <SchoolLines step={step} data={data} />
        {brief?.wayOut && brief.problem === null && (
          <Typography sx={{ mt: 0.5 }}>
            Begun at <Num value={brief.entryHeightM} quantity="length" /> it still works up to{" "}
            {brief.wayOut.lastAfterCutS === null ? (
              <>
                <Num value={brief.wayOut.lastS} quantity="time" /> after the entry,{" "}
                <Num value={brief.wayOut.lastAlongM} quantity="length" /> along
              </>
            ) : (
              <>
                <Num value={brief.wayOut.lastAfterCutS} quantity="time" /> after closing the throttle, and down to{" "}
                <Num value={brief.wayOut.lastHeightM} quantity="length" />
              </>
            )}
            .
          </Typography>
        )}
      </section>
      <section aria-labelledby="faults">
        <Typography variant="h2" id="faults">
          If this happens
        </Typography>
        {faultsFirst(step, data.faultCounts).map((fault) => {
          const often = (data.faultCounts[fault.id] ?? 0) >= OFTEN;
          return (
            <Box
              key={fault.id}
              sx={(theme) => ({ mt: 0.8, ...(often && { borderLeft: `4px solid ${theme.tokens.buoy}`, pl: 1 }) })}
            >
              <b>{fault.sees}.</b> {cueFor(fault, data.direction)}
              {often && (
                <Box sx={(theme) => ({ fontSize: "0.85rem", color: theme.tokens.buoyText, fontWeight: 600 })}>
                  ▲ seen <span className="num">{data.faultCounts[fault.id]}</span> times lately: mend this first
                </Box>
              )}
            </Box>
          );
        })}
      </section>
      <PassesWhen data={data} step={step} readiness={readiness} />
    </Box>
  );
}

/** The mark, how far along it the pilot is, and the cautions. */
function PassesWhen({ data, step, readiness }: { data: BriefData; step: Step; readiness: ReactNode }) {
  const syllabus = useSyllabus();
  const skill = skillOf(syllabus, step);
  const names = directionNames(step);
  const { evidence } = data.standing;
  return (
    <section aria-labelledby="passes">
      <Typography variant="h2" id="passes">
        Passes when
      </Typography>
      <Typography sx={{ mt: 0.5 }}>
        {capital(markWords(step.mark))}. Clean: {step.clean}.
      </Typography>
      <Box sx={{ my: 1 }}>
        {evidence.directions.map((one) => (
          <EvidenceLine key={one.direction} name={names[one.direction]} one={one} mark={step.mark} />
        ))}
      </Box>
      <BailCreditLine credit={data.standing.bailCredit ?? null} />
      <Typography sx={{ fontWeight: 600 }}>{adviceWords(data.standing.advice, step.id, syllabus)}</Typography>
      {readiness}
      <Box
        component="ul"
        sx={(theme) => ({ pl: 2, mt: 1.5, mb: 0, fontSize: "0.85rem", color: theme.tokens.buoyText })}
      >
        {skill.cautions.map((line) => (
          <li key={line}>{line}</li>
        ))}
        <li>
          Clear ground of <Num value={skill.roomM} quantity="length" digits={0} /> all round.
        </li>
      </Box>
    </section>
  );
}
