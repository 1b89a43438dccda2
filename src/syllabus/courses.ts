import type { CourseKind } from "@/core";

/** The steps a course serves, by their ids in the syllabus. */
export const stepsOfCourse: Readonly<Record<CourseKind, readonly string[]>> = {
  "stop-line": ["stop-course", "pitch-brake"],
  square: ["yaw-square", "bank-square"],
  slalom: ["slalom"],
  eight: ["eight-course", "los-eight"],
  "orbit-post": ["orbit", "orbit-back"],
  ring: ["los-hover", "los-nose-in", "fp-hover"],
  "step-circle": ["los-circles"],
  "walked-eight": ["los-follow-eights"],
  "landing-spot": ["land-pass", "land-stop", "land-short"],
  "bail-wall": ["bail-wall"],
  "gap-ladder": ["gap-wide", "gap-narrow"],
  "knife-edge-pair": ["gap-knife"],
  "loop-bar": ["loop-over", "loop-through"],
};
