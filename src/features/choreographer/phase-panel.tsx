"use client";

import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import Typography from "@mui/material/Typography";
import {
  rounded,
  fieldsOfThrottle,
  guardFields,
  LONGEST_PHASE_S,
  resolve,
  stickFields,
  turningAxes,
  withFigureAt,
  withPhase,
  withValueAt,
  type Axis,
  type FigureField,
  type FigurePlace,
  type Guard,
  type Phase,
  type Recipe,
  type StickPlan,
  type TrimFigures,
  type Value,
} from "@/core";
import { Box } from "@/ui/layout/box";
import { capital } from "@/words";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { TextField } from "@/ui/forms/text-field";
import { firstGuard, firstStick, firstThrottle } from "./defaults";
import { FigureInput } from "./figure-input";
import {
  axisWords,
  figureName,
  guardWords,
  isSided,
  seenWords,
  stickWords,
  throttleChoice,
  throttleWords,
  type ThrottleChoice,
} from "./words";

const MOST_GUARDS = 6;

interface Editing {
  readonly recipe: Recipe;
  readonly at: number;
  readonly figures: TrimFigures;
  readonly onChange: (recipe: Recipe, gesture?: string) => void;
}

/** One phase: its name, what ends it and what the sticks do. */
export function PhasePanel(editing: Editing) {
  const { recipe, at, onChange } = editing;
  const phase = recipe.phases[at];
  const set = (change: (phase: Phase) => Phase, gesture?: string) => onChange(withPhase(recipe, at, change), gesture);
  return (
    <section aria-label={`Phase ${at + 1}`}>
      <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0,1fr) 120px", gap: 1, mb: 1.5 }}>
        <TextField
          size="small"
          label={`What the pilot does in phase ${at + 1}`}
          value={phase.label}
          error={phase.label.trim() === ""}
          onChange={(event) => set((one) => ({ ...one, label: event.target.value }), `label ${phase.id}`)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <FigureInput
          label="Time limit"
          unit="s"
          value={phase.maxS}
          min={0.1}
          max={LONGEST_PHASE_S}
          step={0.1}
          onChange={(maxS) => set((one) => ({ ...one, maxS }), `latest ${phase.id}`)}
        />
      </Box>
      <Ends {...editing} />
      <Typography variant="h3" sx={{ mt: 1.5, mb: 1, fontSize: "0.95rem", fontWeight: 700 }}>
        The sticks
      </Typography>
      <Throttle {...editing} />
      {turningAxes.map((axis) => (
        <Stick key={axis} axis={axis} {...editing} />
      ))}
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={phase.mark ?? false}
            onChange={(_, mark) => set(({ mark: _before, ...one }) => (mark ? { ...one, mark } : one))}
          />
        }
        label="The angle turned is counted from here"
        slotProps={{ typography: { sx: { fontSize: "0.88rem" } } }}
      />
    </section>
  );
}

const row = {
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(132px, 1fr))",
  gap: 1,
  mb: 1,
  alignItems: "start",
} as const;

function Choice<T extends string>(props: {
  label: string;
  value: T;
  words: Readonly<Record<T, string>>;
  onChange: (value: T) => void;
}) {
  const { label, value, words, onChange } = props;
  return (
    <SelectField size="small" label={label} value={value} onChange={(event) => onChange(event.target.value as T)}>
      {(Object.entries(words) as [T, string][]).map(([id, name]) => (
        <Option key={id} value={id}>
          {name}
        </Option>
      ))}
    </SelectField>
  );
}

function Ends(editing: Editing) {
  const { recipe, at, onChange } = editing;
  const { until } = recipe.phases[at];
  const setAll = (next: readonly Guard[]) => onChange(withPhase(recipe, at, (phase) => ({ ...phase, until: next })));
  const setOne = (i: number, guard: Guard) => setAll(until.map((one, n) => (n === i ? guard : one)));
  return (
    <>
      <Typography variant="h3" sx={{ mb: 1, fontSize: "0.95rem", fontWeight: 700 }}>
        {until.length > 1 ? "Over as soon as one of these holds" : "Over when"}
      </Typography>
      {until.map((guard, i) => (
        // Ends have nothing else to tell them apart by.
        <Box key={i} sx={row}>
          <Choice
            label={`End ${i + 1}`}
            value={guard.kind}
            words={guardWords}
            onChange={(kind) => setOne(i, firstGuard(kind))}
          />
          {guard.kind === "turned" && (
            <Choice
              label="About"
              value={guard.axis}
              words={axisWords}
              onChange={(axis) => setOne(i, { ...guard, axis })}
            />
          )}
          {isSided(guard) && (
            <Choice
              label="Comes to it"
              value={guard.is}
              words={{ below: "falling", above: "rising" }}
              onChange={(is) => setOne(i, { ...guard, is })}
            />
          )}
          <Figures part="until" guard={i} holder={guard} fields={guardFields[guard.kind]} {...editing} />
          {until.length > 1 && (
            <Button size="small" onClick={() => setAll(until.filter((_, n) => n !== i))}>
              Remove
            </Button>
          )}
        </Box>
      ))}
      {until.length < MOST_GUARDS && (
        <Button size="small" onClick={() => setAll([...until, firstGuard("time")])}>
          Another end
        </Button>
      )}
    </>
  );
}

function Throttle(editing: Editing) {
  const { recipe, at, onChange } = editing;
  const plan = recipe.phases[at].throttle;
  return (
    <Box sx={row}>
      <Choice<ThrottleChoice>
        label="Throttle"
        value={throttleChoice(plan)}
        words={throttleWords}
        onChange={(choice) =>
          onChange(withPhase(recipe, at, (phase) => ({ ...phase, throttle: firstThrottle(choice) })))
        }
      />
      <Figures part="throttle" guard={null} holder={plan} fields={fieldsOfThrottle(plan)} {...editing} />
    </Box>
  );
}

/** A stick that does nothing has no plan. */
const withRest = { rest: "at rest", ...stickWords };

function Stick({ axis, ...editing }: Editing & { axis: Axis }) {
  const { recipe, at, onChange } = editing;
  const plan = recipe.phases[at][axis];
  const set = (next: StickPlan | null) =>
    onChange(withPhase(recipe, at, ({ [axis]: _, ...phase }) => (next ? { ...phase, [axis]: next } : phase) as Phase));
  return (
    <Box sx={row}>
      <Choice
        label={capital(axis)}
        value={plan?.kind ?? "rest"}
        words={withRest}
        onChange={(kind) => set(kind === "rest" ? null : firstStick(kind))}
      />
      {plan?.kind === "ease" && (
        <Choice
          label="Turned about"
          value={plan.axis}
          words={axisWords}
          onChange={(about) => set({ ...plan, axis: about })}
        />
      )}
      {plan?.kind === "eye" && (
        <Choice label="Watches" value={plan.see} words={seenWords} onChange={(see) => set({ ...plan, see })} />
      )}
      {plan && <Figures part={axis} guard={null} holder={plan} fields={stickFields[plan.kind]} {...editing} />}
    </Box>
  );
}

const trimWords: Readonly<Record<string, string>> = {
  tiltDeg: "camera tilt",
  trimPitchDeg: "pitch at the start",
  trimBankDeg: "bank at the start",
  trimSpeedMps: "speed at the start",
  trimThrustG: "thrust of the start",
  leadInPitchDeg: "pitch on the way in",
};

/** The numbers of one plan or guard. */
function Figures({
  part,
  guard,
  holder,
  fields,
  recipe,
  at,
  figures,
  onChange,
}: Editing & Pick<FigurePlace, "part" | "guard"> & { holder: object; fields: readonly FigureField[] }) {
  return fields.map((field) => {
    const value = (holder as Readonly<Record<string, Value | undefined>>)[field.name];
    if (value === undefined) return null;
    const place: FigurePlace = { phase: at, part, guard, name: field.name };
    const now = resolve(recipe, value, figures);
    const [min, max] = rangeOf(recipe, field, value);
    return (
      <FigureInput
        // Another recipe under the same name is another number.
        key={`${recipe.phases[at].id} ${part} ${guard} ${field.name}`}
        label={figureName(field)}
        unit={field.unit}
        value={now}
        min={min}
        max={max}
        step={field.step}
        boundTo={boundTo(recipe, value)}
        onChange={(next) =>
          onChange(withFigureAt(recipe, place, next, figures), `${at} ${part} ${guard} ${field.name}`)
        }
        onFree={() => onChange(withValueAt(recipe, place, Math.max(field.min, Math.min(field.max, rounded(now, 4)))))}
      />
    );
  });
}

/** How far a number may go: where a parameter stands there, no further than that. */
function rangeOf(recipe: Recipe, field: FigureField, value: Value): readonly [number, number] {
  if (typeof value === "number" || "of" in value) return [field.min, field.max];
  const { min, max } = recipe.parameters[value.param];
  const { times = 1, plus = 0 } = value;
  const ends = [min * times + plus, max * times + plus].map((one) => rounded(one, 4));
  return [Math.max(field.min, Math.min(...ends)), Math.min(field.max, Math.max(...ends))];
}

function boundTo(recipe: Recipe, value: Value): string | null {
  if (typeof value === "number") return null;
  if ("of" in value) return `follows the ${trimWords[value.of]}`;
  const worked = recipe.solveFor.some(({ param }) => param === value.param);
  return `${worked ? "◆ " : ""}${recipe.parameters[value.param].label}`;
}
