import { DomainError, requireOneOf } from "@/core";
import { routes, type Route } from "./types";

/** One side of a question on which practitioners disagree. */
export interface SchoolSide {
  readonly id: string;
  readonly name: string;
  /** What this side gains, in a line. */
  readonly gains: string;
  /** The way a trick is flown on this side, by trick. */
  readonly flies?: Readonly<Record<string, string>>;
  /** What is done on this side, said where it matters. */
  readonly does?: string;
}

export interface SchoolQuestion {
  readonly id: string;
  readonly name: string;
  /** The first side is taken where nobody chose. */
  readonly sides: readonly [SchoolSide, ...SchoolSide[]];
  /** Steps whose briefs say which side is flown. */
  readonly steps: readonly string[];
}

/** The sides somebody chose, by question; left out where nothing was chosen. */
export type School = Readonly<Record<string, string>>;

/** Where practitioners disagree: each side is supported. Common practice, no source. */
export const schoolQuestions: readonly SchoolQuestion[] = [
  {
    id: "route",
    name: "First route",
    steps: ["first-setup", "los-hover", "fp-hover"],
    sides: [
      {
        id: "eyes-first",
        name: "eyes on the aircraft first",
        gains: "It can be seen and landed without goggles; slower to the first picture.",
      },
      {
        id: "self-level",
        name: "self-level first",
        gains: "The picture is quiet at once; the habit of letting go has to be unlearnt.",
      },
      {
        id: "bank-limit",
        name: "rate mode with a bank limit first",
        gains: "The right habits from the first battery, with a net; the net must come off.",
      },
      {
        id: "rate-mode",
        name: "straight rate mode after a simulator",
        gains: "Nothing to unlearn; costs hours in the simulator first.",
      },
    ],
  },
  {
    id: "simulator",
    name: "Simulator pass before the field",
    steps: [],
    sides: [
      { id: "not-asked", name: "not asked for", gains: "Sooner on the field; the first tries cost propellers." },
      {
        id: "first",
        name: "asked for where the syllabus says so",
        gains: "The first tries cost nothing; needs a simulator and the time.",
      },
    ],
  },
  {
    id: "tuning",
    name: "What is tuned first",
    steps: ["first-setup"],
    sides: [
      {
        id: "throttle",
        name: "throttle profile first, rates left alone",
        gains: "Height becomes quiet; the hands keep their rates.",
      },
      { id: "rates", name: "rates first", gains: "The sticks fit the hands from the start; height waits." },
    ],
  },
  {
    id: "yaw-match",
    name: "Roll and yaw",
    steps: ["spin-level"],
    sides: [
      { id: "comfort", name: "every axis to comfort", gains: "Each axis feels right; the mix has to be learnt." },
      {
        id: "matched",
        name: "matched, so that equal sticks give a flat spin",
        gains: "One thing to remember; yaw may be quicker than is comfortable.",
      },
    ],
  },
  {
    id: "roll-look",
    name: "Look of a roll",
    steps: ["roll-level", "low-line"],
    sides: [
      { id: "level", name: "counter-mixed", gains: "The horizon stays flat; two sticks to the point." },
      {
        id: "lead",
        name: "counter-mixed, yaw leading",
        gains: "The yaw is there before the roll, so the view does not swing off at the start; one more thing to time.",
        flies: { "roll-level": "lead", "low-line": "lead" },
      },
      {
        id: "pure",
        name: "pure roll",
        gains: "One stick; the picture dives and shows the ground.",
        flies: { "low-line": "pure" },
      },
    ],
  },
  {
    id: "mixing",
    name: "Mixing for the camera angle",
    steps: ["bank-square", "spin-level", "orbit"],
    sides: [
      { id: "hand", name: "by hand", gains: "Every amount is yours; relearnt at each tilt." },
      {
        id: "controller",
        name: "by the flight controller",
        gains: "The picture turns level by itself; the aircraft rolls when you yaw.",
      },
    ],
  },
  {
    id: "stop",
    name: "Stop of a turn over",
    steps: ["roll-pure", "roll-level"],
    sides: [
      { id: "snap", name: "centred at once", gains: "Sharp on camera; swings back where the tune allows it." },
      { id: "ease-quarter", name: "ease the last quarter", gains: "The stop comes to you; the turn takes longer." },
      { id: "ease-end", name: "ease the last twentieth", gains: "Quick and still; needs an exact thumb." },
      { id: "flow", name: "never quite stop", gains: "One move runs into the next; nothing to measure a stop by." },
    ],
  },
  {
    id: "loop",
    name: "Powered loop",
    steps: ["loop-open", "loop-over"],
    sides: [
      {
        id: "power",
        name: "power on all round",
        gains: "Even and round, out with speed.",
        flies: { "loop-open": "power", "loop-over": "power" },
      },
      {
        id: "float",
        name: "float over the top",
        gains: "Quiet and tall; it needs the height.",
        flies: { "loop-open": "float", "loop-over": "float" },
      },
    ],
  },
  {
    id: "inverted-throttle",
    name: "Throttle upside down",
    steps: ["roll-level", "hang"],
    sides: [
      { id: "closed", name: "closed", gains: "Safe: nothing drives it down.", flies: { "roll-level": "closed" } },
      {
        id: "kept",
        name: "kept up",
        gains: "Holds the line low and stops sharper; pushes toward the ground.",
        flies: { "roll-level": "kept" },
      },
    ],
  },
  {
    id: "spin",
    name: "Into the upside-down spin",
    steps: ["spin-inverted"],
    sides: [
      {
        id: "pitch",
        name: "pitch in, pitch out",
        gains: "Goes flat along the line of travel.",
        flies: { "spin-inverted": "pitch" },
      },
      {
        id: "roll",
        name: "roll in, roll out",
        gains: "Quick, the horizon in reach; easily left uneven.",
        flies: { "spin-inverted": "roll" },
      },
    ],
  },
  {
    id: "orbit",
    name: "Into the orbit looking back",
    steps: ["orbit-back"],
    sides: [
      {
        id: "roll",
        name: "rolled over into it",
        gains: "Tight from the start, out of a steep turn; the throttle is already up.",
        flies: { "orbit-back": "roll" },
      },
      {
        id: "fall",
        name: "fallen back into it",
        gains: "More time to see it; a wider circle, and it wanders.",
        flies: { "orbit-back": "fall" },
      },
    ],
  },
  {
    id: "split",
    name: "Split-S",
    steps: ["split-s"],
    sides: [
      { id: "float", name: "floated", gains: "Carries farther; needs more height.", flies: { "split-s": "float" } },
      {
        id: "tight",
        name: "tight pivot",
        gains: "Less height, a sharper turn; less time to look.",
        flies: { "split-s": "tight" },
      },
    ],
  },
  {
    id: "tilt",
    name: "Camera angle",
    steps: ["first-setup"],
    sides: [
      { id: "by-stage", name: "raised by stage", gains: "Each stage sees what it needs; the mix is relearnt." },
      { id: "fixed", name: "one angle for ever", gains: "One mix for life; slow flight looks at the sky." },
    ],
  },
  {
    id: "landing",
    name: "Landing",
    steps: ["land-stop"],
    sides: [
      { id: "touch", name: "touch down, then close", gains: "Gentle on any ground.", flies: { "land-stop": "touch" } },
      {
        id: "cut",
        name: "cut a hand above the grass",
        gains: "Over quickly; needs soft ground.",
        flies: { "land-stop": "cut" },
      },
    ],
  },
  {
    id: "trouble",
    name: "In trouble",
    steps: ["arm-reflex", "bail-wall"],
    sides: [
      {
        id: "disarm",
        name: "disarm at once",
        gains: "Nobody and little is hurt; it falls where it is.",
        does: "In trouble: disarm at once, wherever it is.",
      },
      {
        id: "fly-out",
        name: "fly it out",
        gains: "Saves aircraft with height under them; low down it makes things worse.",
        does: "In trouble with height: fly it out as above. Low down: disarm.",
      },
      {
        id: "level-switch",
        name: "throw the switch that levels it",
        gains:
          "Upright in a moment from anywhere; needs the switch under a finger, and height. Counted as bailed, not as a crash.",
        does: "In trouble with height: sticks centred, throw the switch that levels it, throttle up; tap it as bailed. Low down: disarm.",
      },
    ],
  },
];

/** The question with this id; throws a DomainError where there is none. */
export function schoolQuestion(questionId: string): SchoolQuestion {
  const question = schoolQuestions.find(({ id }) => id === questionId);
  if (!question)
    throw new DomainError(
      "questionId",
      questionId,
      "a question of the schools",
      `there is no question ${questionId} of the schools`,
    );
  return question;
}

/** The side of a question in a school. */
export function sideOf(school: School, questionId: string): SchoolSide {
  const question = schoolQuestion(questionId);
  return question.sides.find(({ id }) => id === school[questionId]) ?? question.sides[0];
}

/** A pilot's own choices over those of the squad. */
export function schoolOf(own: School, squad: School): School {
  return { ...squad, ...own };
}

export function routeOf(school: School): Route {
  return requireOneOf("route", sideOf(school, "route").id, routes);
}

/** Only questions and sides that there are; throws a DomainError that names what is not. */
export function requireSchool(school: unknown): School {
  if (typeof school !== "object" || school === null || Array.isArray(school))
    throw new DomainError("school", school, "a list of choices", "school is no list of choices");
  for (const [questionId, side] of Object.entries(school)) {
    const question = schoolQuestions.find(({ id }) => id === questionId);
    if (!question)
      throw new DomainError(
        "school",
        questionId,
        "a question of the schools",
        `school.${questionId.slice(0, 40)} is no question of the schools`,
      );
    if (!question.sides.some(({ id }) => id === side))
      throw new DomainError(
        "school",
        side,
        question.sides.map(({ id }) => id).join(", "),
        `school.${questionId} has no such side`,
      );
  }
  return school as School;
}
