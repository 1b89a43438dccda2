"use client";

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { Box } from "@/ui/layout/box";
import { markWords, measureWords } from "@/words";
import { attemptMeasures, type AttemptMeasure } from "@/core";
import {
  families,
  routes,
  schoolQuestion,
  type Direction,
  type Family,
  type Fault,
  type Route,
  type Step,
  type SyllabusDocument,
} from "@/syllabus";
import { Option } from "@/ui/forms/options";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { SelectField, SelectSeveral } from "@/ui/forms/select-field";
import { moveStep, withoutStep, withStep } from "./change";
import { TextLine, TextList } from "./fields";
import { MarkEditor } from "./mark-editor";
import { FaultsEditor } from "./faults-editor";
import { FlownEditor } from "./flown-editor";

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
const routeNames = new Map(schoolQuestion("route").sides.map(({ id, name }) => [id, name]));

interface StepEditorProps {
  readonly document: SyllabusDocument;
  readonly step: Step;
  readonly onChange: (document: SyllabusDocument) => void;
  readonly onGone: () => void;
}

/** Everything of one step, to be changed. Nothing is saved before the whole is. */
export function StepEditor({ document, step, onChange, onGone }: StepEditorProps) {
  const set = (change: Partial<Step>) => onChange(withStep(document, step.id, change));
  const inBrowser = useHydrated();
  return (
    <Box sx={{ display: "grid", gap: 1.5, maxWidth: 760 }}>
      <Typography variant="h2">{step.name}</Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "2fr 1fr 1fr" }, gap: 1 }}>
        <TextLine label="Name" value={step.name} longest={60} onChange={(name) => name && set({ name })} />
        <TextLine label="On the chart" value={step.short} longest={16} onChange={(short) => short && set({ short })} />
        <SelectField
          size="small"
          label="Column"
          value={step.family}
          onChange={(event) => set({ family: event.target.value as Family })}
        >
          {families.map(({ id, name }) => (
            <Option key={id} value={id}>
              {name}
            </Option>
          ))}
        </SelectField>
      </Box>
      <TextLine label="Aim" value={step.aim} longest={300} onChange={(aim) => aim && set({ aim })} />
      <TextList label="Drill" values={step.drill} onChange={(drill) => drill.length > 0 && set({ drill })} />
      <Box sx={{ display: "grid", gap: 1 }}>
        <Typography component="h3" sx={{ fontWeight: 700 }}>
          Pass mark
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
          label="Sim first, where the coaching choices ask for it"
        />
        <FormControlLabel
          control={<Checkbox checked={step.optional} onChange={(_, on) => set({ optional: on })} />}
          label="Optional step"
        />
      </Box>
      <TextLine
        label="Settings it needs"
        value={step.settings}
        longest={300}
        onChange={(settings) => set({ settings })}
      />
      <TextLine label="Bail-out" value={step.wayOut} longest={300} onChange={(wayOut) => wayOut && set({ wayOut })} />
      {inBrowser && <Below document={document} step={step} set={set} onChange={onChange} onGone={onGone} />}
    </Box>
  );
}

type Part = Pick<StepEditorProps, "document" | "step" | "onChange"> & { set: (change: Partial<Step>) => void };

/** What stands under the first screenful, which the server leaves to the browser to draw. */
function Below({ document, step, set, onChange, onGone }: Part & Pick<StepEditorProps, "onGone">) {
  return (
    <>
      <FlownEditor step={step} onChange={(flownAs) => set({ flownAs })} />
      {!step.flownAs && (
        <TextList label="What to look at" values={step.lookAt} onChange={(lookAt) => set({ lookAt })} />
      )}
      <FaultsEditor step={step} onChange={(faults) => set({ faults })} />
      <Button
        color="error"
        sx={{ justifySelf: "start" }}
        onClick={() => {
          onChange(withoutStep(document, step.id));
          onGone();
        }}
      >
        Delete step
      </Button>
    </>
  );
}

/** How it is flown, where it stands in the syllabus and what is measured of it. */
function Standing({ document, step, set, onChange }: Part) {
  const skill = document.skills.find(({ steps }) => steps.some(({ id }) => id === step.id))!;
  const others = document.skills.flatMap(({ steps }) => steps).filter(({ id }) => id !== step.id);
  const ways = waysToFly.find(
    ([, own]) => own.map(({ id }) => id).join() === step.directions.map(({ id }) => id).join(),
  );
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 1 }}>
      <SelectField
        size="small"
        label="Flown"
        value={ways?.[0] ?? "own"}
        onChange={(event) => {
          const chosen = waysToFly.find(([name]) => name === event.target.value);
          if (chosen) set({ directions: chosen[1], faults: withoutDirections(step.faults) });
        }}
      >
        {waysToFly.map(([name]) => (
          <Option key={name} value={name}>
            {name}
          </Option>
        ))}
        {!ways && <Option value="own">{step.directions.map(({ name }) => name).join(", ")}</Option>}
      </SelectField>
      <SelectField
        size="small"
        label="In skill"
        value={skill.id}
        onChange={(event) => onChange(moveStep(document, step.id, event.target.value, 999))}
      >
        {document.skills.map(({ id, name }) => (
          <Option key={id} value={id}>
            {name}
          </Option>
        ))}
      </SelectField>
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
      <SelectField
        size="small"
        label="Part of"
        value={step.partOf ?? ""}
        onChange={(event) => set({ partOf: event.target.value || null })}
      >
        <Option value="">a whole step</Option>
        {others.map(({ id, name }) => (
          <Option key={id} value={id}>
            {name}
          </Option>
        ))}
      </SelectField>
      <ManyOf
        label="Measured (optional)"
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
  onChange: (value: readonly string[]) => void;
}) {
  const { label, value, options, none, onChange } = props;
  return (
    <SelectSeveral size="small" label={label} value={value} onChange={onChange} none={none}>
      {options.map(([id, name]) => (
        <Option key={id} value={id}>
          {name}
        </Option>
      ))}
    </SelectSeveral>
  );
}

/** Cues for directions that a step no longer has become one for all. */
function withoutDirections(faults: readonly Fault[]): readonly Fault[] {
  return faults.map((fault) =>
    typeof fault.cue === "string" ? fault : { ...fault, cue: Object.values(fault.cue)[0] },
  );
}
