interface Screen {
  readonly path: string;
  readonly name: string;
  readonly says: string;
  /** What a pilot finds there; null for screens that are the coach's only. */
  readonly forPilot: string | null;
}

/** The screens in the order of a coach's work. */
const screens: readonly Screen[] = [
  { path: "/squad", name: "Squad", says: "who is on what, and what is due", forPilot: null },
  { path: "/pilot", name: "Pilot", says: "steps, evidence, milestones, notes", forPilot: "your steps and evidence" },
  {
    path: "/setup",
    name: "Setup",
    says: "aircraft, rates, throttle, tilt",
    forPilot: "your aircraft and its settings",
  },
  { path: "/brief", name: "Brief", says: "what to do, with numbers for this aircraft", forPilot: "what to do next" },
  { path: "/lab", name: "Trick lab", says: "fly any trick in the model", forPilot: "fly any trick in the model" },
  {
    path: "/practice",
    name: "Practice",
    says: "the drills flown by hand in the model",
    forPilot: "fly your drills by hand in the model",
  },
  {
    path: "/lines",
    name: "Lines",
    says: "tricks joined: put together, flown whole, invented",
    forPilot: "the lines given to you",
  },
  { path: "/session", name: "Session", says: "plan, tally, debrief", forPilot: "practise alone and log attempts" },
  {
    path: "/tape",
    name: "Tape",
    says: "recordings of sticks and gyro: tricks found and measured",
    forPilot: "your recordings: tricks found and measured",
  },
  {
    path: "/calendar",
    name: "Calendar",
    says: "planned and flown, and the gaps",
    forPilot: "when you fly next, and when you flew",
  },
  {
    path: "/yard",
    name: "Yard",
    says: "sites: room, height limit, hazards, rules",
    forPilot: "where you fly, and what is allowed there",
  },
  {
    path: "/syllabus",
    name: "Syllabus",
    says: "stages, steps, pass marks, routes",
    forPilot: "what is learnt in which order, and what passes",
  },
];

/** What keeps the place in order, below the work itself. */
const housekeeping: readonly Screen[] = [
  { path: "/people", name: "People", says: "squads, coaches, invitations", forPilot: null },
  { path: "/records", name: "Records", says: "trail, bin, files in and out", forPilot: null },
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
