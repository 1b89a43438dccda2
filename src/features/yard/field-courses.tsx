"use client";

import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { FieldPlan } from "@/contract";
import type { PlannedCourse } from "@/core";
import { stepsOfCourse } from "@/syllabus";
import { PickOne } from "@/ui/forms/pick-one";
import { Box } from "@/ui/layout/box";
import { courseNames } from "@/words";
import { CoursePicture } from "./course-picture";
import { nextPole } from "./edits";
import { MeasuredBack } from "./measured-back";
import { SetOut, type HowSetOut } from "./set-out";
import { useInField } from "./use-in-field";
import { useYardDay } from "./use-day";

/** Whether one of the steps is flown on it. */
const serves = ({ kind }: PlannedCourse, stepIds: readonly string[]) =>
  kind !== "own" && stepsOfCourse[kind].some((id) => stepIds.includes(id));

const nameOf = ({ kind, name }: PlannedCourse) => name || courseNames[kind];

/** The courses of a site to be set out from a phone, without a network, that of the session's steps first: poles ticked as they stand, distances measured back and answered. */
export function FieldCourses({ siteName, plan, stepIds }: FieldPlan & { readonly stepIds: readonly string[] }) {
  const [chosen, choose] = useState(() => (plan.courses.find((one) => serves(one, stepIds)) ?? plan.courses[0]).id);
  const course = plan.courses.find(({ id }) => id === chosen) ?? plan.courses[0];
  return (
    <Box sx={{ maxWidth: 720, mx: "auto" }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        {siteName}
      </Typography>
      {plan.courses.length > 1 && (
        <Box sx={{ mb: 1.5 }}>
          <PickOne
            label="Course"
            value={course.id}
            options={plan.courses.map((one) => [one.id, nameOf(one)] as const)}
            onPick={choose}
            buttonSx={{ minHeight: 56, px: 2 }}
          />
        </Box>
      )}
      <Course key={course.id} plan={plan} course={course} />
      <Typography role="note" sx={{ mt: 2, fontSize: "0.9rem" }}>
        The site&apos;s own rules and local law come first. Nobody stands within the throw of a dead aircraft, and
        nobody walks among the poles while anyone flies.
      </Typography>
    </Box>
  );
}

function Course({ plan, course }: { plan: FieldPlan["plan"]; course: PlannedCourse }) {
  const [how, setHow] = useState<HowSetOut>("tapes");
  const [inField, change] = useInField(course.id);
  const [day] = useYardDay();
  const next = nextPole(course, inField.standing);
  return (
    <>
      <CoursePicture plan={plan} course={course} standing={inField.standing} next={next} />
      <SetOut
        course={course}
        how={how}
        onHow={setHow}
        stepM={day.stepM}
        standing={inField.standing}
        next={next}
        onStanding={(pole, stands) =>
          change((before) => ({
            ...before,
            standing: stands ? [...before.standing, pole] : before.standing.filter((id) => id !== pole),
          }))
        }
        onBestPegs={null}
      />
      <Typography variant="h2" sx={{ mt: 2 }}>
        Measured back
      </Typography>
      <MeasuredBack
        course={course}
        measured={inField.measured}
        onMeasured={(measured) => change((before) => ({ ...before, measured }))}
      />
    </>
  );
}
