"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { memo, useCallback, useEffect, useRef } from "react";
import { dayAirRanges, obstacleKinds, standardTemperatureC, type ObstacleKind, type Recipe } from "@/core";
import type { Day } from "@/syllabus";
import { airInWords } from "@/ui/air/air-line";
import { ParameterSlider } from "@/ui/flight/parameter-slider";
import { NumberSlider } from "@/ui/forms/number-slider";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { quantityText } from "@/words";
import { AtSiteControls } from "@/ui/site/at-site";
import type { LabSite } from "./load";
import { usualObstacles, type Surroundings } from "./surroundings";

/**
 * The parameters of the trick as sliders. What is worked out follows when another is moved; moving one that is worked out takes all of them into the
 * hand. One button gives them back.
 */
export function ParameterControls({
  recipe,
  byHand,
  moved,
  onChange,
  onMove,
  onReset,
}: {
  recipe: Recipe;
  byHand: boolean;
  /** Something stands otherwise than the trick has it. */
  moved: boolean;
  onChange: (values: Readonly<Record<string, number>>) => void;
  /** One that is not worked out, while the others are. */
  onMove: (name: string, value: number) => void;
  onReset: () => void;
}) {
  const entries = Object.entries(recipe.parameters);
  const solved = new Set(recipe.solveFor.map(({ param }) => param));
  // The newest values without giving every slider a new function: only the one that is moved is drawn again.
  const newest = useRef({ recipe, byHand, onChange, onMove });
  useEffect(() => {
    newest.current = { recipe, byHand, onChange, onMove };
  });
  const set = useCallback((name: string, next: number) => {
    const { recipe: now, byHand: all, onChange: change, onMove: move } = newest.current;
    if (!all && !now.solveFor.some(({ param }) => param === name)) return move(name, next);
    const values = Object.fromEntries(Object.entries(now.parameters).map(([key, { value }]) => [key, value]));
    change({ ...values, [name]: next });
  }, []);
  return (
    <section aria-labelledby="parameters">
      <Box sx={{ display: "flex", alignItems: "baseline", justifyContent: "space-between" }}>
        <Typography variant="h2" id="parameters">
          The trick
        </Typography>
        {(byHand || moved) && (
          <Button size="small" onClick={onReset}>
            {byHand ? "Solve for me" : "As it was"}
          </Button>
        )}
      </Box>
      <Typography sx={{ fontSize: "0.8rem", color: "text.secondary", mb: 0.5 }}>
        {byHand
          ? "Set by hand."
          : solved.size > 0
            ? "◆ solved for this aircraft"
            : "Nothing to solve: move any slider."}
      </Typography>
      {entries.map(([name, parameter]) => (
        <ParameterSlider
          key={name}
          name={name}
          label={parameter.label}
          unit={parameter.unit}
          value={parameter.value}
          min={parameter.min}
          max={parameter.max}
          worked={!byHand && solved.has(name)}
          onSet={set}
        />
      ))}
    </section>
  );
}

/** The usual limits, and that of the site that is flown at. */
const ceilingsWith = (ceilingM: number | null): readonly number[] =>
  [...new Set([10, 15, 20, 30, 50, 120, ...(ceilingM === null ? [] : [ceilingM])])].sort((a, b) => a - b);

/** Height, wind, local ceiling and one thing that stands about. */
export const SurroundingsControls = memo(function SurroundingsControls({
  surroundings,
  usual,
  day,
  sites,
  shownHeightM,
  onChange,
}: {
  surroundings: Surroundings;
  /** Those of the squad that are drawn. */
  sites: readonly LabSite[];
  /** As they are on this day. */
  usual: Surroundings;
  day: Day;
  /** The height flown at, when it is worked out. */
  shownHeightM: number;
  onChange: (next: Surroundings) => void;
}) {
  const set = (change: Partial<Surroundings>) => onChange({ ...surroundings, ...change });
  const { units } = usePreferences();
  const { obstacle, ceilingM, entryHeightM } = surroundings;
  const touched = JSON.stringify(surroundings) !== JSON.stringify(usual);
  return (
    <section aria-labelledby="surroundings">
      <Box sx={{ display: "flex", alignItems: "baseline", justifyContent: "space-between", mt: 1.5 }}>
        <Typography variant="h2" id="surroundings">
          Conditions
        </Typography>
        {touched && (
          <Button size="small" onClick={() => onChange(usual)}>
            As today
          </Button>
        )}
      </Box>
      <Typography sx={{ fontSize: "0.8rem", color: "text.secondary", mb: 0.5 }}>
        Today: {airInWords(day, units)}.
      </Typography>
      <NumberSlider
        label={entryHeightM === null ? "◆ Begin at" : "Begin at"}
        quantity="length"
        value={entryHeightM ?? Math.max(0.5, Math.min(60, shownHeightM))}
        range={[0.5, 60]}
        step={0.5}
        digits={1}
        onChange={(next) => set({ entryHeightM: next })}
      />
      <AirControls surroundings={surroundings} set={set} />
      <SelectField
        fullWidth
        size="small"
        margin="dense"
        label="Local ceiling"
        value={ceilingM ?? "none"}
        onChange={(event) => set({ ceilingM: event.target.value === "none" ? null : Number(event.target.value) })}
      >
        <Option value="none">none known</Option>
        {ceilingsWith(ceilingM).map((value) => (
          <Option key={value} value={value}>
            {quantityText(value, "length", units, 0)}
          </Option>
        ))}
      </SelectField>
      <AtSiteControls
        sites={sites}
        at={surroundings.atSite}
        onChange={(atSite, site) =>
          set({
            atSite,
            ...(site && { ceilingM: site.ceilingM, elevationM: site.elevationM ?? surroundings.elevationM }),
          })
        }
      />
      <ObstacleControls obstacle={obstacle} onChange={(next) => set({ obstacle: next })} />
    </section>
  );
});

/** Wind, elevation and temperature. */
function AirControls({
  surroundings: { headWindMps, crossWindMps, elevationM, temperatureC },
  set,
}: {
  surroundings: Surroundings;
  set: (change: Partial<Surroundings>) => void;
}) {
  return (
    <>
      <NumberSlider
        label="Wind from ahead"
        quantity="speed"
        value={headWindMps}
        range={[-20, 20]}
        step={0.5}
        digits={1}
        onChange={(next) => set({ headWindMps: next })}
      />
      <NumberSlider
        label="Wind from the right"
        quantity="speed"
        value={crossWindMps}
        range={[-20, 20]}
        step={0.5}
        digits={1}
        onChange={(next) => set({ crossWindMps: next })}
      />
      <NumberSlider
        label="Elevation of the ground"
        quantity="length"
        value={elevationM}
        range={[...dayAirRanges.elevationM]}
        step={100}
        digits={0}
        onChange={(next) => set({ elevationM: next })}
      />
      <NumberSlider
        label={temperatureC === null ? "Temperature (standard)" : "Temperature"}
        quantity="temperature"
        value={temperatureC ?? standardTemperatureC(elevationM)}
        range={[...dayAirRanges.temperatureC]}
        step={5}
        digits={0}
        onChange={(next) => set({ temperatureC: next })}
      />
    </>
  );
}

/** One thing that stands about, and where. */
function ObstacleControls({
  obstacle,
  onChange,
}: {
  obstacle: Surroundings["obstacle"];
  onChange: (next: Surroundings["obstacle"]) => void;
}) {
  const set = (change: Partial<NonNullable<Surroundings["obstacle"]>>) =>
    obstacle && onChange({ ...obstacle, ...change });
  return (
    <>
      <SelectField
        fullWidth
        size="small"
        margin="dense"
        label="Something in the way"
        value={obstacle?.kind ?? "none"}
        onChange={(event) =>
          onChange(event.target.value === "none" ? null : usualObstacles[event.target.value as ObstacleKind])
        }
      >
        <Option value="none">nothing more</Option>
        {obstacleKinds.map((kind) => (
          <Option key={kind} value={kind}>
            {kind}
          </Option>
        ))}
      </SelectField>
      {obstacle && (
        <>
          <NumberSlider
            label="Ahead by"
            quantity="length"
            value={obstacle.alongM}
            range={[-20, 80]}
            step={0.5}
            digits={1}
            onChange={(alongM) => set({ alongM })}
          />
          <NumberSlider
            label="To the right by"
            quantity="length"
            value={obstacle.acrossM}
            range={[-20, 20]}
            step={0.5}
            digits={1}
            onChange={(acrossM) => set({ acrossM })}
          />
          <NumberSlider
            label="High"
            quantity="length"
            value={obstacle.heightM}
            range={[0.5, 40]}
            step={0.5}
            digits={1}
            onChange={(heightM) => set({ heightM })}
          />
          <NumberSlider
            label="Wide"
            quantity="length"
            value={obstacle.widthM}
            range={[0.1, 30]}
            step={0.1}
            digits={1}
            onChange={(widthM) => set({ widthM })}
          />
        </>
      )}
    </>
  );
}
