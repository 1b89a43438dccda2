import type { Content } from "pdfmake/interfaces";
import type { Paper } from "@/server/files";
import { tokens } from "@/ui/theme/tokens";

const { ink, inkSoft, buoyText } = tokens.light;

interface Part {
  readonly when: string;
  readonly steps: readonly (readonly [what: string, how: string])[];
}

const parts: readonly Part[] = [
  {
    when: "The evening before",
    steps: [
      ["Add the pilot", "Squad, “Add a pilot”. Ask for stick mode and grip; the rest can wait."],
      [
        "Add their aircraft and a setup",
        "Setup. Start from the settings usual at their stage, then “Save as setup 1”.",
      ],
      [
        "Measure what you can",
        "A kitchen scale, the throttle that hovers, the camera tilt. Every figure gets better by it.",
      ],
      [
        "Place the pilot",
        "Pilot. Sign off what they can do already, or use “Set starting step” to sign off all before it.",
      ],
      ["Read the brief together", "Brief. Sticks, path, start height, bail-out, and what counts as clean."],
      ["Add the site", "Yard. Clear ground, height limit, hazards, and whom to ask."],
      ["Plan the session", "Calendar, “Plan a session”. Open it once on the phone: then it works without a network."],
    ],
  },
  {
    when: "At the field",
    steps: [
      ["Local rules first", "Ask for the height limit, look for people, note the wind. Set up an observer."],
      ["Preflight", "Go through the list on the screen: propellers, pack, arm switch, bail-out said aloud."],
      ["Start the session", "“Start session”, pick who flies. Phone in the shade, screen on “Full sun”."],
      [
        "Tap every attempt",
        "■ clean, ∼ rough, ∧ bailed, ✕ crashed. Tap the direction when it changes. “Undo” takes back one tap.",
      ],
      ["Tap the fault once", "The one you saw most. The cue for it is on the screen: say that and nothing else."],
      ["Start the pack clock", "It calls the landing with the reserve in hand."],
      ["After a crash", "Disarm, props off, measure the tilt, fly it by eye. Only then goggles again."],
    ],
  },
  {
    when: "Afterwards",
    steps: [
      ["Debrief", "“End the session”. The picture first, then the main fault and the one next thing for each pilot."],
      [
        "Sign off, or not yet",
        "The advice says what luck is in it. You decide; the counts are kept with your sign-off.",
      ],
      ["Set homework", "Practice, “Set homework”: so many clean tries in the simulator by a date."],
      ["Plan the next one", "Within ten days: after that the gap shows in the numbers."],
    ],
  },
];

/** One page to print: a coach's first session from an empty start to the debrief. */
export const firstSessionPaper = (): Paper => ({
  pageSize: "A4",
  pageMargins: [46, 40, 46, 36],
  info: { title: "Your first session", creator: "Bathygon" },
  defaultStyle: { color: ink, fontSize: 9.5 },
  content: [
    { text: "Your first session", bold: true, fontSize: 22 },
    {
      text: "One page to tick off: the evening before, at the field, afterwards.",
      color: inkSoft,
      margin: [0, 0, 0, 6],
    },
    ...parts.flatMap(({ when, steps }): Content[] => [
      { text: when, bold: true, fontSize: 13, margin: [0, 8, 0, 3] },
      ...steps.map(([what, how]): Content => ({
        columns: [
          {
            width: 14,
            svg: `<svg width="9" height="9"><rect x="0.5" y="0.5" width="8" height="8" fill="none" stroke="${ink}"/></svg>`,
          },
          { width: 150, text: what, bold: true },
          { width: "*", text: how },
        ],
        margin: [0, 1.5, 0, 1.5],
      })),
    ]),
    {
      text: "Local law, the site's own rules and licensed instruction come before anything on this page. Start heights are the model's: start higher while learning. Nobody stands within the throw of a dead aircraft.",
      color: buoyText,
      margin: [0, 12, 0, 0],
    },
  ],
});
