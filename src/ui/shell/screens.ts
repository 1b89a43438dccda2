/** The screens in the order of a coach's work. */
export const screens = [
  { path: "/squad", name: "Squad", says: "who is on what, and what is due" },
  { path: "/pilot", name: "Pilot", says: "steps, evidence, milestones, notes" },
  { path: "/setup", name: "Setup", says: "aircraft, rates, throttle, tilt" },
  { path: "/brief", name: "Brief", says: "what to do, with numbers for this aircraft" },
  { path: "/session", name: "Session", says: "plan, tally, debrief" },
] as const;
