"use client";

import { typedNumber } from "@/contract";
import Alert from "@mui/material/Alert";
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import {
  knobsOf,
  searchKnobs,
  triesOf,
  USUAL_STOP_DEG,
  type Environment,
  type Knob,
  type KnobId,
  type PilotErrors,
  type Recipe,
  type Settings,
  type stickTravelByGrip,
} from "@/core";
import type { Aircraft, Setup } from "@/contract";
import { findStep, recipeOf, settingsProposals, settingsSchoolOf, tricks, type Manner, type Trick } from "@/syllabus";
import { RunOrStop } from "@/ui/scatter/run-or-stop";
import { useComputed } from "@/ui/scatter/use-scatter";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { Found, shown, type Searched } from "./found";

const SEED = 1;
const MOST_OTHERS = 2;
const MOST_WEIGHT = 10;
/** Proposed bounds about what a knob stands at, as a share of its widest ones. Ours. */
const PROPOSED_SPAN = 0.25;

interface Bounds {
  readonly on: boolean;
  readonly min: string;
  readonly max: string;
}

/** Looks within the coach's bounds for what makes a trick kinder, against what it costs other tricks. */
export function RecommendPanel({
  recipe,
  trick,
  direction,
  manner,
  settings,
  setup,
  aircraft,
  environment,
  errors,
  stopWithinDeg,
  frozen,
  grip,
}: {
  /** As the library has it. */
  recipe: Recipe;
  trick: Trick;
  direction: string;
  /** In which the other tricks are flown. */
  manner: Manner;
  settings: Settings;
  setup: Setup;
  aircraft: Aircraft;
  environment: Environment;
  errors: PilotErrors | null;
  stopWithinDeg: number | null;
  /** Whether the settings of the pilot are frozen. */
  frozen: boolean;
  grip: keyof typeof stickTravelByGrip;
}) {
  const knobs = knobsOf(settings, recipe);
  const air = { heightM: environment.siteElevationM, isaOffsetK: environment.isaOffsetK };
  const [bounds, setBounds] = useState<Readonly<Partial<Record<KnobId, Bounds>>>>(() => ({}));
  const [others, setOthers] = useState<readonly Trick[]>([]);
  const [weights, setWeights] = useState<Readonly<Record<string, string>>>({});
  const syllabus = useSyllabus();
  const weighed = [trick, ...others].map(({ id, name }) => {
    const text = weights[id] ?? "1";
    const weight = typedNumber(text);
    return { id, name, text, weight, wrong: !(weight >= 0 && weight <= MOST_WEIGHT) };
  });
  const weightsGood = !weighed.some(({ wrong: bad }) => bad) && weighed[0].weight > 0;
  const { state, start, cancel } = useComputed<Searched>();
  const boundsOf = (knob: Knob): Bounds => bounds[knob.id] ?? proposedBounds(knob);
  const chosen = knobs.filter((knob) => boundsOf(knob).on);
  const wrong = (knob: Knob) => {
    const { min, max } = read(boundsOf(knob));
    return !(min >= knob.min && max <= knob.max && min < max);
  };
  const ready = errors !== null && chosen.length > 0 && !chosen.some(wrong) && weightsGood;
  const search = () => {
    if (!errors) return;
    const common = {
      airframe: aircraft.airframe,
      settings,
      errors,
      seed: SEED,
      environment: { ...environment, ceilingM: null },
    };
    const plans = [
      { ...common, recipe, stopWithinDeg },
      ...others.map((other) => {
        const ways = Object.keys(other.variants[0].recipes);
        const side = ways.includes(direction) ? direction : ways[0];
        const flown = recipeOf({ flownAs: { trick: other.id } }, side, manner)!;
        const within = findStep(syllabus, other.id)?.stopWithinDeg ?? USUAL_STOP_DEG;
        return { ...common, recipe: flown, stopWithinDeg: flown.turn ? within : null };
      }),
    ];
    const turned = chosen.map((knob) => ({ id: knob.id, value: knob.value, ...read(boundsOf(knob)) }));
    const all = triesOf(turned.length);
    const asked = { knobs: chosen, names: [trick.name, ...others.map(({ name }) => name)], recipe, settings };
    start(recipe.id, async (pool, onProgress) => {
      let tried = 0;
      const result = await searchKnobs(
        turned,
        weighed.map(({ weight }) => weight),
        (values, from, to) =>
          Promise.all(plans.map((plan) => pool.run((remote) => remote.tryTurned({ plan, values, from, to })))),
        () => onProgress(++tried / all),
      );
      const [before, after] = await Promise.all(
        [{}, result.values].map((values) => pool.run((remote) => remote.costOfTurned({ plan: plans[0], values }))),
      );
      return { ...asked, result, before, after };
    });
  };
  return (
    <Box
      component="section"
      aria-labelledby="kinder"
      sx={(theme) => ({ mt: 3, pt: 1.5, borderTop: `1.5px solid ${theme.tokens.ink}` })}
    >
      <Typography variant="h2" id="kinder">
        What would make it kinder
      </Typography>
      <Typography sx={{ fontSize: "0.88rem", color: "text.secondary", mb: 1, maxWidth: 760 }}>
        Turns what is ticked, within these bounds, to where the hands above go clean most often. Each time the trick is
        learnt afresh: punch, stop and height follow the settings.
      </Typography>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "repeat(2, minmax(0,1fr))" },
          columnGap: 3,
          maxWidth: 860,
        }}
      >
        {knobs.map((knob) => {
          const own = boundsOf(knob);
          const set = (part: Partial<Bounds>) => setBounds((before) => ({ ...before, [knob.id]: { ...own, ...part } }));
          return (
            <Box key={knob.id} sx={{ display: "flex", alignItems: "center", gap: 1 }}>
              <Checkbox
                checked={own.on}
                onChange={(_, on) => set({ on })}
                slotProps={{ input: { "aria-label": `${knob.label} may change` } }}
              />
              <Box sx={{ flex: 1, minWidth: 0 }}>
                {knob.label}, now <span className="num">{shown(knob, knob.value)}</span>
              </Box>
              {(["min", "max"] as const).map((end) => (
                <TextField
                  key={end}
                  size="small"
                  variant="standard"
                  value={own[end]}
                  disabled={!own.on}
                  error={own.on && wrong(knob)}
                  onChange={(event) => set({ [end]: event.target.value })}
                  slotProps={{
                    htmlInput: {
                      inputMode: "decimal",
                      maxLength: 7,
                      "aria-label": `${knob.label}, ${end === "min" ? "from" : "to"}`,
                    },
                  }}
                  sx={{ width: 62 }}
                />
              ))}
            </Box>
          );
        })}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1.5, my: 1.5 }}>
        <Autocomplete
          multiple
          size="small"
          options={tricks.filter(({ id }) => id !== trick.id)}
          getOptionLabel={({ name }) => name}
          value={[...others]}
          onChange={(_, next) => setOthers(next.slice(0, MOST_OTHERS))}
          renderInput={(params) => <TextField {...params} label="Weighed together with" />}
          sx={{ width: 320 }}
        />
        {others.length > 0 &&
          weighed.map(({ id, name, text, wrong: bad }) => (
            <TextField
              key={id}
              size="small"
              label={`${name} counts`}
              value={text}
              error={bad}
              helperText={bad ? `0 to ${MOST_WEIGHT}` : undefined}
              onChange={(event) => setWeights((before) => ({ ...before, [id]: event.target.value }))}
              slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 4 } }}
              sx={{ width: 170 }}
            />
          ))}
        <RunOrStop state={state} label="Searching" onStop={cancel}>
          <Button variant="contained" disabled={!ready} onClick={search}>
            Search
          </Button>
        </RunOrStop>
      </Box>
      {state.kind === "broken" && <Alert severity="error">{state.why}</Alert>}
      {state.kind === "done" && (
        <Found
          searched={state.result}
          setup={setup}
          aircraft={aircraft}
          frozen={frozen}
          usual={(turned) =>
            settingsProposals(turned, aircraft.airframe, trick.stage, settingsSchoolOf(manner.school), grip, air)
          }
        />
      )}
    </Box>
  );
}

function proposedBounds({ value, min, max }: Knob): Bounds {
  const span = PROPOSED_SPAN * (max - min);
  const digits = max - min > 10 ? 1 : 100;
  const text = (bound: number) => String(Math.round(digits * bound) / digits);
  return { on: false, min: text(Math.max(min, value - span)), max: text(Math.min(max, value + span)) };
}

const read = ({ min, max }: Bounds) => ({ min: typedNumber(min), max: typedNumber(max) });
