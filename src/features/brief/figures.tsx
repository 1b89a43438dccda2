"use client";

import Typography from "@mui/material/Typography";
import type { FreezeMargins, ThrownTurn, TrickBrief } from "@/core";
import type { Step } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { StartHeightFigure } from "@/ui/start-height/start-height-figure";
import type { StartHeightState } from "@/ui/start-height/use-start-height";
import { usePreferences } from "@/ui/theme/preferences";
import { MODEL_LEAVES_OUT } from "@/ui/why/why";
import { Figure } from "@/ui/units/figure";
import { quantityText, type Quantity } from "@/words";

const MODEL =
  "Flight model: four rotors with lag, inflow and wake, drag, battery, rate loop; RK4 at 500 Hz, air of the day by ISO 2533. The aircraft's numbers are estimates until measured.";

/** The numbers of the brief, each with its reason behind it. */
export function BriefFigures({
  brief,
  thrown,
  step,
  height,
  freeze,
  aircraftName,
  setupNumber,
}: {
  brief: TrickBrief;
  thrown: ThrownTurn;
  step: Step & { readonly stopWithinDeg: number };
  /** The minimum start height, as far as it is known. */
  height: StartHeightState | null;
  freeze: FreezeMargins;
  aircraftName: string;
  setupNumber: number;
}) {
  const { recipe, flight } = brief;
  const { measures } = flight;
  const say = useSay();
  const punchTimes = say(thrown.punchTimes, "count", 1);
  const flown = [
    ["aircraft", aircraftName],
    ["setup", String(setupNumber)],
  ] as const;
  return (
    <section aria-labelledby="numbers">
      <Typography variant="h2" id="numbers">
        For {aircraftName}, setup <span className="num">{setupNumber}</span>
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", columnGap: 2 }}>
        <Figure
          label="Punch"
          value={thrown.punchS}
          quantity="time"
          why={{
            how: `The punch at ${punchTimes} times the thrust that hovers, after which the whole trick, with its catch, ends at the height at which it began.`,
            inputs: [
              ...flown,
              ["thrust in the punch, over the hover", punchTimes],
              ["ends off the start by", say(measures.heightGainedM, "length")],
            ],
            source: `Solved by bisection. ${MODEL}`,
            leftOut: MODEL_LEAVES_OUT,
          }}
        />
        {height && <StartHeightFigure state={height} recipe={recipe} freeze={freeze} flown={flown} />}
        <CutFigures brief={brief} thrown={thrown} flown={flown} />
        <Figure
          label="Time of the turn"
          value={measures.turnTimeS}
          quantity="time"
          why={{
            how: "From the first movement of the pitch stick to the stop.",
            inputs: [...flown, ["stop at", `${Math.round(360 + (measures.stopErrorDeg ?? 0))}°`]],
            source: MODEL,
            leftOut: MODEL_LEAVES_OUT,
          }}
        />
        <Figure
          label="Highest point"
          value={measures.peakM}
          quantity="length"
          why={{
            how: "Top of the path above the ground from the start height drawn. Local height limits come first.",
            inputs: [...flown, ["started at", say(brief.entryHeightM, "length")]],
            source: MODEL,
            leftOut: MODEL_LEAVES_OUT,
          }}
        />
        <StopFigures brief={brief} thrown={thrown} step={step} flown={flown} />
      </Box>
    </section>
  );
}

interface PartProps {
  readonly brief: TrickBrief;
  readonly thrown: ThrownTurn;
  /** Aircraft and setup it is flown with, for the reasons. */
  readonly flown: readonly (readonly [name: string, value: string])[];
}

/** Quantities as text in the units chosen. */
function useSay() {
  const { units } = usePreferences();
  return (value: number | null, quantity: Quantity, digits?: number) => quantityText(value, quantity, units, digits);
}

/** Where and how it is when the throttle is closed, and how long it hangs from there. */
function CutFigures({ brief, thrown: { punchS }, flown }: PartProps) {
  const say = useSay();
  const { measures } = brief.flight;
  const gained = measures.heightAtCutM === null ? null : measures.heightAtCutM - measures.entryHeightM;
  return (
    <>
      <Figure
        label="Climbed at closing"
        value={gained}
        quantity="length"
        why={{
          how: "Height above the entry at the moment the throttle is closed.",
          inputs: [...flown, ["punch", say(punchS, "time")]],
          source: MODEL,
          leftOut: MODEL_LEAVES_OUT,
        }}
      />
      <Figure
        label="Climb at closing"
        value={measures.climbAtCutMps}
        quantity="speed"
        why={{
          how: "Vertical speed at the moment the throttle is closed.",
          inputs: [...flown, ["punch", say(punchS, "time")]],
          source: MODEL,
          leftOut: MODEL_LEAVES_OUT,
        }}
      />
      <Figure
        label="Hang time"
        value={brief.hangTimeS}
        quantity="time"
        why={{
          how: "From closing the throttle to falling past that height again if nothing were done. A thrown body without drag has twice the climb speed over g.",
          inputs: [
            ...flown,
            ["climb at closing", say(measures.climbAtCutMps, "speed")],
            [
              "2v/g without drag",
              say(measures.climbAtCutMps === null ? null : (2 * measures.climbAtCutMps) / 9.80665, "time"),
            ],
          ],
          source: `Textbook projectile beside it. ${MODEL}`,
          leftOut: MODEL_LEAVES_OUT,
        }}
      />
    </>
  );
}

/** Where the stick is centred, and what it would be to centre it late. */
function StopFigures({
  brief,
  thrown: { centreDeg },
  step,
  flown,
}: PartProps & { step: { readonly stopWithinDeg: number } }) {
  const say = useSay();
  const { measures } = brief.flight;
  const { simplyCentred } = brief;
  return (
    <>
      <Figure
        label="Centre the stick at"
        value={centreDeg}
        quantity="angle"
        why={{
          how: "Angle turned at which centring the stick makes it stop at 360°. It turns the rest by itself while the rotors respond.",
          inputs: [...flown, ["carries on by", say(360 - centreDeg, "angle")]],
          source: `Solved by bisection. ${MODEL}`,
          leftOut: MODEL_LEAVES_OUT,
        }}
      />
      <Figure
        label="Stop error, as above"
        value={measures.stopErrorDeg}
        quantity="angle"
        digits={1}
        why={{
          how: `Angle turned at the stop less 360°: plus is too far. Clean allows ${step.stopWithinDeg}°. It swings back by ${say(measures.bounceBackDeg, "angle", 1)} afterwards.`,
          inputs: [
            ...flown,
            ["centred at", say(centreDeg, "angle", 1)],
            ["bounce-back", say(measures.bounceBackDeg, "angle", 1)],
          ],
          source: MODEL,
          leftOut: MODEL_LEAVES_OUT,
        }}
      />
      <Figure
        label="If centred at 360°"
        value={simplyCentred?.stopErrorDeg ?? null}
        quantity="angle"
        warn={Math.abs(simplyCentred?.stopErrorDeg ?? 0) > step.stopWithinDeg}
        why={{
          how: "The same turn with the stick centred only when the horizon is already back.",
          inputs: [
            ...flown,
            ["clean allows", say(step.stopWithinDeg, "angle")],
            ["bounce-back", say(simplyCentred?.bounceBackDeg ?? null, "angle", 1)],
          ],
          source: MODEL,
          leftOut: MODEL_LEAVES_OUT,
        }}
      />
    </>
  );
}
