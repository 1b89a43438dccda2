"use client";

import Typography from "@mui/material/Typography";
import { memo, type ReactNode } from "react";
import { USUAL_FREEZE, type FlownTrick, type FreezeMargins } from "@/core";
import type { MeasureName } from "@/syllabus";
import { Box } from "../layout/box";
import { measureNames } from "./measure-names";
import { pictureWords } from "./picture-words";
import { usePreferences } from "../theme/preferences";
import { MODEL_LEAVES_OUT } from "../why/why";
import { Figure } from "../units/figure";
import { StartHeightFigure } from "@/ui/start-height/start-height-figure";
import type { StartHeightState } from "@/ui/start-height/use-start-height";
import { quantityText } from "@/words";

const MODEL =
  "Flight model: four rotors with lag, body-axis drag, rate loop; RK4 at 500 Hz, air of ISO 2533. The aircraft's numbers are estimates until measured.";

/** The figures of a trick that a coach would look at, each with its reason, and the end of its way out. */
export const Measured = memo(function Measured({
  trick,
  height = null,
  freeze = USUAL_FREEZE,
  looksAt,
  aircraftName,
  crashes = null,
}: {
  trick: Pick<FlownTrick, "recipe" | "flight" | "wayOut" | "entryHeightM">;
  /** The minimum start height, as far as it is known; null where none is asked for. */
  height?: StartHeightState | null;
  /** What a freeze costs. */
  freeze?: FreezeMargins;
  looksAt: readonly MeasureName[];
  aircraftName: string;
  /** How often it crashes with the hands usual here, where that stands for the minimum start height. */
  crashes?: ReactNode;
}) {
  const { units } = usePreferences();
  const { flight, wayOut, entryHeightM } = trick;
  const inPicture = pictureWords(flight, trick.recipe, units);
  const inputs = [
    ["aircraft", aircraftName],
    ["started at", quantityText(entryHeightM, "length", units)],
  ] as const;
  const figures = looksAt.flatMap((name) => {
    const words = measureNames[name];
    const value = flight.measures[name];
    return words && value !== null ? [{ words, value }] : [];
  });
  return (
    <section aria-labelledby="measured">
      <Typography variant="h2" id="measured">
        What it measures
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", columnGap: 2 }}>
        {height && <StartHeightFigure state={height} recipe={trick.recipe} freeze={freeze} flown={inputs} />}
        {crashes}
        {figures.map(({ words, value }) => (
          <Figure
            key={words.name}
            label={words.name}
            value={value}
            quantity={words.quantity}
            digits={words.digits}
            why={{ how: words.how, inputs, source: MODEL, leftOut: MODEL_LEAVES_OUT }}
          />
        ))}
      </Box>
      {inPicture && <Typography sx={{ mt: 1, fontSize: "0.9rem" }}>{inPicture}</Typography>}
      {wayOut && (
        <Typography sx={(theme) => ({ mt: 1, fontSize: "0.9rem", color: theme.tokens.buoyText, fontWeight: 600 })}>
          Freeze and you can still save it up to{" "}
          <span className="num">{quantityText(wayOut.lastAfterCatchS, "time", units)}</span> after you should have
          caught it (<span className="num">{quantityText(wayOut.lastS, "time", units)}</span> after the entry,{" "}
          <span className="num">{quantityText(wayOut.lastHeightM, "length", units)}</span> up).
        </Typography>
      )}
    </section>
  );
});
