"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { bestBaseline, boundaryOf, type PlannedCourse, type SitePlan } from "@/core";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { Fold } from "@/ui/layout/fold";
import { usePreferences } from "@/ui/theme/preferences";
import { Num } from "@/ui/units/figure";
import { courseNames, quantityText, refusedWords } from "@/words";
import { MeasuredBack } from "./measured-back";
import { SetOut, type HowSetOut } from "./set-out";
import type { YardFigures } from "./use-day";
import type { PlanData } from "./load-plan";
import type { InField } from "./use-in-field";

/** One course: how it is set out, whether it stands as it should, and how it is flown. */
export function CoursePanel(props: {
  plan: SitePlan;
  course: PlannedCourse;
  figures: YardFigures | null;
  flown: PlanData["flown"];
  stepM: number;
  mayChange: boolean;
  inField: InField;
  onInField: (change: (before: InField) => InField) => void;
  next: string | null;
  onChange: (change: Partial<PlannedCourse>, gesture: string | null) => void;
  onFitAgain: (() => void) | null;
  /** Where its page is fetched; null while it is not saved as it is shown. */
  paper: string | null;
  onRemove: () => void;
}) {
  const {
    plan,
    course,
    figures,
    flown,
    stepM,
    mayChange,
    inField,
    onInField,
    next,
    onChange,
    onFitAgain,
    paper,
    onRemove,
  } = props;
  const [how, setHow] = useState<HowSetOut>("tapes");
  const bestPegs = () =>
    onChange({ pegs: bestBaseline(course.poles, { boundary: boundaryOf(plan) ?? undefined }).pegs }, null);
  return (
    <Box>
      <SetOut
        course={course}
        how={how}
        onHow={setHow}
        stepM={stepM}
        standing={inField.standing}
        next={next}
        onStanding={(pole, stands) =>
          onInField((before) => ({
            ...before,
            standing: stands ? [...before.standing, pole] : before.standing.filter((id) => id !== pole),
          }))
        }
        onBestPegs={mayChange ? bestPegs : null}
      />
      <Fold title="Measured back" beside={inField.measured.length > 0 ? String(inField.measured.length) : undefined}>
        <MeasuredBack
          course={course}
          measured={inField.measured}
          onMeasured={(measured) => onInField((before) => ({ ...before, measured }))}
        />
      </Fold>
      <Flown figures={figures} flown={flown} />
      {mayChange && (
        <Box sx={{ display: "grid", gap: 1, mt: 1.5 }}>
          <TextField
            size="small"
            label="Name of the course"
            placeholder={courseNames[course.kind]}
            value={course.name}
            onChange={(event) => onChange({ name: event.target.value }, "course name")}
            slotProps={{ htmlInput: { maxLength: 80 }, inputLabel: { shrink: true } }}
          />
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
            {onFitAgain && course.kind !== "own" && (
              <Button size="small" variant="outlined" onClick={onFitAgain}>
                Re-lay for this day
              </Button>
            )}
            <Button
              size="small"
              variant="outlined"
              onClick={() => onChange({ order: [...course.order].reverse() }, null)}
            >
              The other way round
            </Button>
            {paper && (
              <Button size="small" variant="outlined" href={paper}>
                On paper
              </Button>
            )}
            <Button size="small" variant="outlined" onClick={onRemove}>
              Take it off the plan
            </Button>
          </Box>
        </Box>
      )}
    </Box>
  );
}

/** Paces and times with the aircraft at hand. */
function Flown({ figures, flown }: { figures: YardFigures | null; flown: PlanData["flown"] }) {
  const { units } = usePreferences();
  if (!figures || !flown)
    return (
      <Typography sx={{ mt: 1, fontSize: "0.9rem", color: "text.secondary" }}>
        With an aircraft picked, paces, times and throw are worked out here.
      </Typography>
    );
  const { legs, noLegs, crabDeg, throwM, throwMps } = figures;
  const speed = (mps: number) => quantityText(mps, "speed", units);
  return (
    <Box component="section" aria-labelledby="flown" sx={{ mt: 1 }}>
      <Typography variant="h2" id="flown">
        Flown
      </Typography>
      <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
        With {flown.aircraft.name} of {flown.pilotName}
        {flown.setup ? (
          <>
            , setup <span className="num">{flown.setup.number}</span>.
          </>
        ) : (
          ", settings to begin with: it has no setup yet."
        )}
      </Typography>
      {noLegs && (
        <Typography color="error.main" role="alert">
          ▲ {refusedWords(noLegs, units)}
        </Typography>
      )}
      {legs && (
        <>
          <Typography>
            {legs.groundInPictureMps === null
              ? "With this tilt the ground leaves the picture at the first lean back."
              : `Up to ${speed(legs.groundInPictureMps)} the ground stays in the picture while pulling up.`}{" "}
            A stop holds up to <Num value={legs.stopHoldsMps} quantity="speed" />.
          </Typography>
          <Typography>
            At <Num value={legs.paceMps} quantity="speed" /> once along takes{" "}
            <Num value={legs.lapS} quantity="time" digits={1} />.
            {crabDeg !== null && Math.abs(crabDeg) >= 1 && (
              <>
                {" "}
                In this wind the nose points <Num value={Math.abs(crabDeg)} quantity="angle" /> to the{" "}
                {crabDeg > 0 ? "right" : "left"} of the first leg.
              </>
            )}
          </Typography>
        </>
      )}
      <Typography>
        Dead at {speed(throwMps)}, it is thrown <Num value={throwM} quantity="length" />.
      </Typography>
    </Box>
  );
}
