"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { markWords, measureWords } from "@/words";
import { attemptMeasures, recipes, type AttemptMeasure } from "@/core";
import {
  cueFor,
  families,
  findTrick,
  routes,
  schoolQuestions,
  tricks,
  type Direction,
  type Family,
  type Fault,
  type FlownAs,
  type Route,
  type Step,
  type SyllabusDocument,
} from "@/syllabus";
import { moveStep, withoutStep, withStep } from "./change";
import { NumberField, TextLine, TextList } from "./fields";
import { MarkEditor } from "./mark-editor";

const waysToFly: readonly (readonly [name: string, directions: readonly Direction[]])[] = [
  ["one way", [{ id: "on", name: "one way" }]],
  [
    "right and left",
    [
      { id: "right", name: "right" },
      { id: "left", name: "left" },
    ],
  ],
  [
    "backward and forward",
    [
      { id: "back", name: "backward" },
      { id: "front", name: "forward" },
    ],
  ],
  [
    "both ends",
    [
      { id: "on", name: "one end" },
      { id: "other", name: "other end" },
    ],
  ],
];
const routeNames = new Map(schoolQuestions.find(({ id }) => id === "route")!.sides.map(({ id, name }) => [id, name]));

interface StepEditorProps {
  readonly document: SyllabusDocument;
  readonly step: Step;
  readonly onChange: (document: SyllabusDocument) => void;
  readonly onGone: () => void;
}

/** Everything of one step, to be changed. Nothing is saved before the whole is. */
export function StepEditor({ document, step, onChange, onGone }: StepEditorProps) {
  const set = (change: Partial<Step>) => onChange(withStep(document, step.id, change));
  return (
    <Box sx={{ display: "grid", gap: 1.6, maxWidth: 760 }}>
      <Typography variant="h2">{step.name}</Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "2fr 1fr 1fr" }, gap: 1.2 }}>
        <TextLine label="Name" value={step.name} longest={60} onChange={(name) => name && set({ name })} />
        <TextLine label="On the chart" value={step.short} longest={16} onChange={(short) => short && set({ short })} />
        <TextField
          select
          size="small"
          label="Column"
          value={step.family}
          onChange={(event) => set({ family: event.target.value as Family })}
        >
          {families.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <TextLine label="Aim" value={step.aim} longest={300} onChange={(aim) => aim && set({ aim })} />
      <TextList label="Drill" values={step.drill} onChange={(drill) => drill.length > 0 && set({ drill })} />
      <Box sx={{ display: "grid", gap: 1 }}>
        <Typography component="h3" sx={{ fontWeight: 700 }}>
          Passes when
        </Typography>
        <MarkEditor mark={step.mark} label="Mark" onChange={(mark) => set({ mark })} />
        <Typography sx={{ fontSize: "0.88rem", color: "text.secondary" }}>In words: {markWords(step.mark)}.</Typography>
        <TextLine
          label="What is clean"
          value={step.clean}
          longest={300}
          onChange={(clean) => clean && set({ clean })}
        />
      </Box>
      <Standing document={document} step={step} set={set} onChange={onChange} />
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 2 }}>
        <FormControlLabel
          control={<Checkbox checked={step.simulatorFirst} onChange={(_, on) => set({ simulatorFirst: on })} />}
          label="In the simulator first, where the school asks for it"
        />
        <FormControlLabel
          control={<Checkbox checked={step.optional} onChange={(_, on) => set({ optional: on })} />}
          label="Beside the way: nobody has to"
        />
      </Box>
      <TextLine
        label="Settings it wants"
        value={step.settings}
        longest={300}
        onChange={(settings) => set({ settings })}
      />
      <TextLine label="Way out" value={step.wayOut} longest={300} onChange={(wayOut) => wayOut && set({ wayOut })} />
      <Flown step={step} onChange={(flownAs) => set({ flownAs })} />
      {!step.flownAs && (
        <TextList label="What to look at" values={step.lookAt} onChange={(lookAt) => set({ lookAt })} />
      )}
      <Faults step={step} onChange={(faults) => set({ faults })} />
      <Button
        color="error"
        sx={{ justifySelf: "start" }}
        onClick={() => {
          onChange(withoutStep(document, step.id));
          onGone();
        }}
      >
        Leave this step out
      </Button>
    </Box>
  );
}

/** How it is flown, where it stands in the syllabus and what is measured of it. */
function Standing({
  document,
  step,
  set,
  onChange,
}: Pick<StepEditorProps, "document" | "step" | "onChange"> & { set: (change: Partial<Step>) => void }) {
  const skill = document.skills.find(({ steps }) => steps.some(({ id }) => id === step.id))!;
  const others = document.skills.flatMap(({ steps }) => steps).filter(({ id }) => id !== step.id);
  const ways = waysToFly.find(
    ([, own]) => own.map(({ id }) => id).join() === step.directions.map(({ id }) => id).join(),
  );
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 1.2 }}>
      <TextField
        select
        size="small"
        label="Flown"
        value={ways?.[0] ?? "own"}
        onChange={(event) => {
          const chosen = waysToFly.find(([name]) => name === event.target.value);
          if (chosen) set({ directions: chosen[1], faults: withoutDirections(step.faults) });
        }}
      >
        {waysToFly.map(([name]) => (
          <MenuItem key={name} value={name}>
            {name}
          </MenuItem>
        ))}
        {!ways && <MenuItem value="own">{step.directions.map(({ name }) => name).join(", ")}</MenuItem>}
      </TextField>
      <TextField
        select
        size="small"
        label="In skill"
        value={skill.id}
        onChange={(event) => onChange(moveStep(document, step.id, event.target.value, 999))}
      >
        {document.skills.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <ManyOf
        label="Needs, signed off before"
        value={step.needs}
        options={others.map(({ id, name }) => [id, name])}
        none="nothing"
        onChange={(needs) => set({ needs })}
      />
      <ManyOf
        label="Routes"
        value={step.routes ?? []}
        options={routes.map((id) => [id, routeNames.get(id) ?? id])}
        none="all routes"
        onChange={(chosen) => set({ routes: chosen.length > 0 ? (chosen as Route[]) : null })}
      />
      <TextField
        select
        size="small"
        label="Part of"
        value={step.partOf ?? ""}
        onChange={(event) => set({ partOf: event.target.value || null })}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      >
        <MenuItem value="">a whole step</MenuItem>
        {others.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <ManyOf
        label="Measured, if somebody does"
        value={step.measures}
        options={attemptMeasures.map((id) => [id, measureWords[id]])}
        none="nothing"
        onChange={(measures) => set({ measures: measures as AttemptMeasure[] })}
      />
    </Box>
  );
}

function ManyOf(props: {
  label: string;
  value: readonly string[];
  options: readonly (readonly [id: string, name: string])[];
  none: string;
  onChange: (value: string[]) => void;
}) {
  const { label, value, options, none, onChange } = props;
  const names = new Map(options);
  return (
    <TextField
      select
      size="small"
      label={label}
      value={[...value]}
      onChange={(event) => onChange(event.target.value as unknown as string[])}
      slotProps={{
        inputLabel: { shrink: true },
        select: {
          multiple: true,
          displayEmpty: true,
          renderValue: (chosen) => (chosen as string[]).map((id) => names.get(id) ?? id).join(", ") || none,
        },
      }}
    >
      {options.map(([id, name]) => (
        <MenuItem key={id} value={id}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** Which trick of the flight model it is, in which way, with which figures set. */
function Flown({ step, onChange }: { step: Step; onChange: (flownAs: FlownAs | null) => void }) {
  const { flownAs } = step;
  const trick = flownAs && findTrick(flownAs.trick);
  const fits = tricks.filter(({ variants }) =>
    variants.every(({ recipes: own }) => step.directions.every(({ id }) => own[id])),
  );
  const parameters = trick ? recipes[Object.values(trick.variants[0].recipes)[0]].parameters : {};
  const free = Object.keys(parameters).filter((name) => flownAs?.set?.[name] === undefined);
  const setFigures = (set: Readonly<Record<string, number>>) => flownAs && onChange({ ...flownAs, set });
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.2, alignItems: "start" }}>
      <TextField
        select
        size="small"
        label="In the flight model"
        value={flownAs?.trick ?? ""}
        onChange={(event) => onChange(event.target.value ? { trick: event.target.value } : null)}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        sx={{ minWidth: 220 }}
      >
        <MenuItem value="">not flown: the eye judges</MenuItem>
        {fits.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      {trick && trick.variants.length > 1 && (
        <TextField
          select
          size="small"
          label="In the way"
          value={flownAs.variant ?? ""}
          onChange={(event) => onChange({ ...flownAs, variant: event.target.value || undefined })}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ minWidth: 180 }}
        >
          <MenuItem value="">of the pilot&apos;s school</MenuItem>
          {trick.variants.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {Object.entries(flownAs?.set ?? {}).map(([name, value]) => (
        <Box key={name} sx={{ display: "flex" }}>
          <NumberField
            label={parameters[name] ? `${parameters[name].label}, ${parameters[name].unit}` : name}
            value={value}
            width={150}
            onChange={(next) => setFigures({ ...flownAs!.set, [name]: next })}
          />
          <Button
            size="small"
            aria-label={`As the model has it: ${name}`}
            onClick={() =>
              setFigures(Object.fromEntries(Object.entries(flownAs!.set!).filter(([other]) => other !== name)))
            }
          >
            ×
          </Button>
        </Box>
      ))}
      {trick && free.length > 0 && (
        <TextField
          select
          size="small"
          label="Set a figure"
          value=""
          onChange={(event) => {
            const parameter = parameters[event.target.value];
            if (parameter) setFigures({ ...flownAs.set, [event.target.value]: parameter.value });
          }}
          sx={{ minWidth: 150 }}
        >
          {free.map((name) => (
            <MenuItem key={name} value={name}>
              {parameters[name].label}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}

/** Usual faults: what the picture shows, and what to do; one cue, or one for each direction. */
function Faults({ step, onChange }: { step: Step; onChange: (faults: readonly Fault[]) => void }) {
  const { faults, directions } = step;
  const set = (at: number, change: Partial<Fault>) =>
    onChange(faults.map((fault, i) => (i === at ? { ...fault, ...change } : fault)));
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Typography component="h3" sx={{ fontWeight: 700 }}>
        Usual faults
      </Typography>
      {faults.map((fault, at) => (
        <Box
          key={fault.id}
          sx={(theme) => ({ display: "grid", gap: 1, pl: 1.2, borderLeft: `3px solid ${theme.tokens.ochre}` })}
        >
          <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 2fr" }, gap: 1 }}>
            <TextLine
              label="On the button"
              value={fault.short}
              longest={30}
              onChange={(short) => short && set(at, { short })}
            />
            <TextLine
              label="The picture shows"
              value={fault.sees}
              longest={200}
              onChange={(sees) => sees && set(at, { sees })}
            />
          </Box>
          {typeof fault.cue === "string" ? (
            <TextLine label="What to do" value={fault.cue} longest={400} onChange={(cue) => cue && set(at, { cue })} />
          ) : (
            directions.map(({ id, name }) => (
              <TextLine
                key={id}
                label={`What to do, ${name}`}
                value={cueFor(fault, id)}
                longest={400}
                onChange={(cue) => cue && set(at, { cue: { ...(fault.cue as Record<string, string>), [id]: cue } })}
              />
            ))
          )}
          <Box sx={{ display: "flex", gap: 1 }}>
            {directions.length > 1 && (
              <Button
                size="small"
                onClick={() =>
                  set(at, {
                    cue:
                      typeof fault.cue === "string"
                        ? Object.fromEntries(directions.map(({ id }) => [id, fault.cue as string]))
                        : Object.values(fault.cue)[0],
                  })
                }
              >
                {typeof fault.cue === "string" ? "A cue for each direction" : "One cue for all"}
              </Button>
            )}
            <Button size="small" onClick={() => onChange(faults.filter((_, i) => i !== at))}>
              Leave this fault out
            </Button>
          </Box>
        </Box>
      ))}
      {faults.length < 10 && (
        <Button
          size="small"
          sx={{ justifySelf: "start" }}
          onClick={() =>
            onChange([
              ...faults,
              { id: freeKey(faults), short: "new fault", sees: "What the picture shows", cue: "What to do about it." },
            ])
          }
        >
          Add a fault
        </Button>
      )}
    </Box>
  );
}

function freeKey(faults: readonly Fault[]): string {
  for (let n = 1; ; n++) if (!faults.some(({ id }) => id === `own-fault-${n}`)) return `own-fault-${n}`;
}

/** Cues for directions that a step no longer has become one for all. */
function withoutDirections(faults: readonly Fault[]): readonly Fault[] {
  return faults.map((fault) =>
    typeof fault.cue === "string" ? fault : { ...fault, cue: Object.values(fault.cue)[0] },
  );
}
