import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import {
  outcomes,
  STANDARD_DAY,
  usualErrors,
  type Attempt,
  type FlownTrick,
  type PassMark,
  weighEvidence,
} from "@/core";
import { standardDay } from "@/syllabus";
import { AirLine } from "@/ui/air/air-line";
import { LineChart } from "@/ui/charts/chart";
import { BailCreditLine } from "@/ui/evidence/bail-credit";
import { EvidenceLine } from "@/ui/evidence/evidence-line";
import { FavouredSide } from "@/ui/evidence/favoured-side";
import { CameraView } from "@/ui/flight/camera-view";
import { HorizonRibbon } from "@/ui/flight/horizon-ribbon";
import { PathView } from "@/ui/flight/path-view";
import { SideView } from "@/ui/flight/side-view";
import { BadFieldsProvider } from "@/ui/forms/bad-fields";
import { NumberSlider } from "@/ui/forms/number-slider";
import { PickOne } from "@/ui/forms/pick-one";
import { Box } from "@/ui/layout/box";
import { Enlarge } from "@/ui/layout/enlarge";
import { Fold } from "@/ui/layout/fold";
import { PlainTable } from "@/ui/layout/plain-table";
import { LastOutcomes, OutcomeMark, outcomeWords, RateBar, StateMark, stateWords } from "@/ui/marks/marks";
import { Moment } from "@/ui/moment/moment";
import { ErrorFields } from "@/ui/scatter/error-fields";
import { StopSpread, TradePlot } from "@/ui/scatter/pictures";
import { RunOrStop } from "@/ui/scatter/run-or-stop";
import { SortableLine, SortableList } from "@/ui/sortable/sortable-list";
import { StartHeightFigure } from "@/ui/start-height/start-height-figure";
import { StickDials } from "@/ui/sticks/stick-dials";
import { StickPair } from "@/ui/sticks/stick-pair";
import { Figure, Num } from "@/ui/units/figure";

/** A shared part with its states. */
export interface Exhibit {
  readonly name: string;
  readonly states: readonly (readonly [state: string, shown: ReactNode])[];
}

const nothing = () => undefined;
const mark: PassMark = { kind: "each-direction", rule: { kind: "k-of-last", k: 3, n: 4 } };
const why = {
  how: "Made up for the gallery.",
  inputs: [["aircraft", "Plank"]] as const,
  source: "None.",
  leftOut: "All of it.",
};
const lens = { verticalFovDeg: 90, aspect: 4 / 3 };
const margins = { marginM: 1.5, reactionS: 0.5 };
const flown = [["aircraft", "Plank"]] as const;

const attempts = (direction: string, letters: string): Attempt[] =>
  [...letters].map((letter, i) => ({
    direction,
    outcome: ({ c: "clean", r: "rough", b: "bailed", x: "crashed" } as const)[letter as "c"],
    place: "field",
    setupId: null,
    atMs: i,
  }));
const evidence = weighEvidence([...attempts("back", "rcccc"), ...attempts("front", "xrbr")], mark, [
  "back",
  "front",
  "side",
]);
const names = { back: "backward", front: "forward" };

/** Every shared part in its states; the drawings show a trick that was flown. */
export const exhibitsFor = ({ flight, recipe, wayOut }: FlownTrick): readonly Exhibit[] => [
  {
    name: "State marks",
    states: (["signed-off", "being-learnt", "not-begun", "due", "ready"] as const).map((state) => [
      stateWords[state],
      <StateMark key={state} state={state} />,
    ]),
  },
  {
    name: "Enlarge",
    states: [
      [
        "closed",
        <Enlarge key="closed" title="Throttle">
          <Box sx={{ height: 60 }}>A drawing.</Box>
        </Enlarge>,
      ],
    ],
  },
  {
    name: "Fold",
    states: [false, true].map((open) => [
      open ? "open" : "closed",
      <Fold key={String(open)} title="Throttle" beside="mid 0.3" open={open}>
        What folds away.
      </Fold>,
    ]),
  },
  {
    name: "Outcome marks",
    states: outcomes.map((outcome) => [
      outcomeWords[outcome],
      <OutcomeMark key={outcome} outcome={outcome} size={24} />,
    ]),
  },
  {
    name: "Last outcomes",
    states: [
      ["none yet", <LastOutcomes key="none" outcomes={[]} window={4} />],
      ["some", <LastOutcomes key="some" outcomes={["clean", "crashed"]} window={4} />],
      ["all", <LastOutcomes key="all" outcomes={outcomes} window={4} />],
    ],
  },
  {
    name: "Rate bar",
    states: [
      ["hardly known", <RateBar key="wide" mean={0.5} low={0.05} high={0.95} mark={0.75} label="wide interval" />],
      ["sure", <RateBar key="sure" mean={0.9} low={0.82} high={0.96} mark={0.75} label="narrow interval" />],
    ],
  },
  {
    name: "Evidence line",
    states: evidence.directions.map((one) => [
      one.direction,
      <EvidenceLine key={one.direction} name={one.direction} one={one} mark={mark} />,
    ]),
  },
  {
    name: "Favoured side, credited bails",
    states: [
      ["favours", <FavouredSide key="side" imbalance={evidence.imbalance} names={names} />],
      ["bails", <BailCreditLine key="bails" credit={{ bailed: 5, crashed: 1, interval: { low: 0.5, high: 0.95 } }} />],
    ],
  },
  {
    name: "Figure",
    states: [
      ["known", <Figure key="known" label="Hang time" value={0.83} quantity="time" why={why} />],
      ["warned of", <Figure key="warned" label="Stop error" value={31} quantity="angle" why={why} warn />],
      ["none", <Figure key="none" label="Punch" value={null} quantity="time" why={why} />],
      ["in a line", <Num key="line" value={12.4} quantity="length" />],
    ],
  },
  {
    name: "Minimum start height",
    states: (
      [
        {
          kind: "known",
          startHeight: { heightM: 9.2, reason: { kind: "scatter", runs: 1000, lostM: 7.7, packUsed: 0.8 } },
        },
        { kind: "computing", share: 0.4 },
        { kind: "absent" },
        { kind: "broken", why: new Error("the worker stopped") },
      ] as const
    ).map((state) => [
      state.kind,
      <StartHeightFigure key={state.kind} state={state} recipe={recipe} freeze={margins} flown={flown} />,
    ]),
  },
  {
    name: "Number slider",
    states: [
      [
        "in range",
        <BadFieldsProvider key="slider">
          <NumberSlider label="Tilt, °" value={25} range={[0, 60]} step={1} digits={0} unit="°" onChange={nothing} />
        </BadFieldsProvider>,
      ],
    ],
  },
  {
    name: "Pick one",
    states: [false, true].map((disabled) => [
      disabled ? "disabled" : "chosen",
      <PickOne
        key={String(disabled)}
        label={disabled ? "Direction, disabled" : "Direction"}
        value="back"
        options={[
          ["back", "backward"],
          ["front", "forward"],
        ]}
        disabled={disabled}
        onPick={nothing}
      />,
    ]),
  },
  {
    name: "Plain table",
    states: [
      [
        "rows",
        <PlainTable
          key="t"
          label="Two rows"
          head={["", "one", "two"]}
          rows={[
            ["a", 1, 2],
            ["b", 3, 4],
          ]}
        />,
      ],
    ],
  },
  {
    name: "Moment",
    states: (["day", "time", "both"] as const).map((show) => [
      show,
      <Moment key={show} atMs={1_700_000_000_000} show={show} />,
    ]),
  },
  {
    name: "Sortable list",
    states: [
      [
        "two lines",
        <SortableList key="list" id="gallery-list" ids={["one", "two"]} ordered onMove={nothing}>
          {["one", "two"].map((id) => (
            <SortableLine key={id} id={id} label={id}>
              Line {id}
            </SortableLine>
          ))}
        </SortableList>,
      ],
    ],
  },
  {
    name: "Run or stop",
    states: [
      [
        "ready",
        <RunOrStop key="r" state={{ kind: "idle" }} label="Flying" onStop={nothing}>
          <Button>Fly it</Button>
        </RunOrStop>,
      ],
      [
        "under way",
        <RunOrStop key="u" state={{ kind: "flying", share: 0.4 }} label="Flying" onStop={nothing}>
          {null}
        </RunOrStop>,
      ],
    ],
  },
  {
    name: "Errors of hands",
    states: [
      [
        "of the stage",
        <ErrorFields
          key="e"
          source="stage"
          stage={4}
          own={usualErrors(4)}
          intervals={null}
          measured={3}
          enough={false}
          typed={{}}
          onSource={nothing}
          onType={nothing}
        />,
      ],
    ],
  },
  {
    name: "Air of the day",
    states: [["standard", <AirLine key="a" day={standardDay} air={STANDARD_DAY} onChange={nothing} />]],
  },
  {
    name: "Sticks",
    states: [
      ["dials", <StickDials key="d" trace={flight.trace} stickMode={2} phases={[]} cursor={120} />],
      ["pair", <StickPair key="p" title="roll right" rollStick={0.5} yawStick={-0.3} stickMode={2} />],
    ],
  },
  {
    name: "Path",
    states: [
      ["over time", <SideView key="s" trace={flight.trace} phases={[]} level={null} cursor={120} everyS={0.1} />],
      ...(["side", "above"] as const).map(
        (plane) =>
          [
            `from ${plane === "side" ? "the side" : "above"}`,
            <PathView
              key={plane}
              plane={plane}
              trace={flight.trace}
              obstacles={flight.obstacles}
              ghost={null}
              cursor={120}
              everyS={0.1}
              wayOut={plane === "side" ? wayOut : null}
              ceilingM={plane === "side" ? 20 : null}
              width={420}
              height={220}
            />,
          ] as const,
      ),
    ],
  },
  {
    name: "Camera",
    states: [
      ["level", <CameraView key="c" title="level" attitude={{ w: 1, x: 0, y: 0, z: 0 }} tiltDeg={25} lens={lens} />],
      [
        "horizon over time",
        <HorizonRibbon
          key="h"
          trace={flight.trace}
          tiltDeg={25}
          lens={lens}
          cursor={120}
          notches={[0, 80]}
          onPick={nothing}
        />,
      ],
    ],
  },
  {
    name: "Chart",
    states: [
      [
        "two lines",
        <LineChart
          key="l"
          label="Two made-up lines"
          lines={(["solid", "dotted"] as const).map((look, i) => ({
            name: look,
            look,
            colour: i === 0 ? "ink" : "slate",
            points: [
              [0, 0],
              [0.5, 0.2 + 0.1 * i],
              [1, 1],
            ],
          }))}
          x={{ name: "stick", min: 0, max: 1 }}
          y={{ name: "rate", min: 0, max: 1 }}
          height={200}
          tickX={String}
          tickY={String}
          formatX={String}
          formatY={String}
        />,
      ],
    ],
  },
  {
    name: "Scatter",
    states: [
      ["stops", <StopSpread key="s" errorsDeg={[-20, -8, -3, 0, 1, 2, 6, 14]} withinDeg={15} />],
      [
        "trade",
        <TradePlot
          key="t"
          name="Pitch, end rate"
          points={[
            [500, 0.4],
            [600, 0.6],
            [700, 0.5],
          ]}
          now={500}
          proposed={600}
          text={(value) => `${value} °/s`}
        />,
      ],
    ],
  },
];
