interface Screen {
  readonly path: string;
  readonly name: string;
  readonly says: string;
  /** What a pilot finds there; null for screens that are the coach's only. */
  readonly forPilot: string | null;
  /** Trade words that lead there, besides its name. */
  readonly words: string;
}

/** The screens in the order of a coach's work. */
const screens: readonly Screen[] = [
  {
    path: "/squad",
    name: "Squad",
    says: "who is on what, and what is due",
    forPilot: null,
    words: "pilots overview who first",
  },
  {
    path: "/pilot",
    name: "Pilot",
    says: "steps, evidence, milestones, notes",
    forPilot: "your steps and evidence",
    words: "progress evidence milestone sign off notes record",
  },
  {
    path: "/setup",
    name: "Setup",
    says: "aircraft, rates, throttle, tilt",
    forPilot: "your aircraft and its settings",
    words: "rates expo rise curve throttle mid camera tilt fov tune aircraft quad craft weight",
  },
  {
    path: "/brief",
    name: "Brief",
    says: "what to do, with numbers for this aircraft",
    forPilot: "what to do next",
    words: "lesson drill how to flip roll sticks",
  },
  {
    path: "/lab",
    name: "Trick lab",
    says: "fly any trick in the model",
    forPilot: "fly any trick in the model",
    words: "simulate model scatter margin what if solve",
  },
  {
    path: "/practice",
    name: "Practice",
    says: "the drills flown by hand in the model",
    forPilot: "fly your drills by hand in the model",
    words: "sim simulator drill gamepad radio homework",
  },
  {
    path: "/lines",
    name: "Lines",
    says: "tricks joined: put together, flown whole, invented",
    forPilot: "the lines given to you",
    words: "combo sequence combined tricks invent copy",
  },
  {
    path: "/session",
    name: "Session",
    says: "plan, tally, debrief",
    forPilot: "practise alone and log attempts",
    words: "tally field debrief log attempts pack battery",
  },
  {
    path: "/tape",
    name: "Tape",
    says: "recordings of sticks and gyro: tricks found and measured",
    forPilot: "your recordings: tricks found and measured",
    words: "recording gyro log csv live stop error",
  },
  {
    path: "/calendar",
    name: "Calendar",
    says: "planned and flown, and the gaps",
    forPilot: "when you fly next, and when you flew",
    words: "schedule target date gap weeks",
  },
  {
    path: "/yard",
    name: "Yard",
    says: "sites: room, height limit, hazards, rules",
    forPilot: "where you fly, and what is allowed there",
    words: "site field location course gates poles map wind",
  },
  {
    path: "/syllabus",
    name: "Syllabus",
    says: "stages, steps, pass marks, routes",
    forPilot: "what is learnt in which order, and what passes",
    words: "tricks progression pass mark stages order",
  },
];

/** What keeps the place in order, below the work itself. */
const housekeeping: readonly Screen[] = [
  {
    path: "/people",
    name: "People",
    says: "squads, coaches, invitations",
    forPilot: null,
    words: "coach invite account password share squad",
  },
  {
    path: "/records",
    name: "Records",
    says: "trail, bin, files in and out",
    forPilot: null,
    words: "export import backup bin restore undo delete trail history",
  },
];

/** The screens for whoever is signed in. */
export function screensFor(coaches: boolean): {
  readonly work: readonly Screen[];
  readonly keeping: readonly Screen[];
} {
  const seen = (list: readonly Screen[]) =>
    coaches ? list : list.flatMap((screen) => (screen.forPilot === null ? [] : [{ ...screen, says: screen.forPilot }]));
  return { work: seen(screens), keeping: seen(housekeeping) };
}
