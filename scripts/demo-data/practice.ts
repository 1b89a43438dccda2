/** Evenings at the radio between flying days: "." clean, "~" not clean, "x" crashed. */
export const sittings = [
  { who: "Odalie Venn", stepId: "flip-one-move", direction: "back", daysAgo: 5, tries: "x~~.~x~.", seconds: 6 },
  { who: "Odalie Venn", stepId: "flip-one-move", direction: "front", daysAgo: 3, tries: "~x~~..~.~", seconds: 6 },
  { who: "Odalie Venn", stepId: "flip-one-move", direction: "back", daysAgo: 1, tries: "~..~...", seconds: 6 },
  { who: "Corvin Haldt", stepId: "split-s", direction: "right", daysAgo: 4, tries: "x~.~...", seconds: 5 },
  { who: "Tamsel Orrick", stepId: "stop-course", direction: "on", daysAgo: 2, tries: "~~.~.", seconds: 34 },
] as const;

/** What the coach asked for: clean tries at a step by a date, set before those evenings. */
export const homework = [
  { who: "Odalie Venn", stepId: "flip-one-move", tries: 12, setDaysAgo: 6, inDays: 4 },
  { who: "Corvin Haldt", stepId: "split-s", tries: 4, setDaysAgo: 5, inDays: 2 },
  { who: "Tamsel Orrick", stepId: "stop-course", tries: 6, setDaysAgo: 9, inDays: -1 },
] as const;
