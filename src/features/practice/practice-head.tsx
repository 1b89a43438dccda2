"use client";

import Typography from "@mui/material/Typography";
import { useMemo, useState, type ReactNode } from "react";
import { tricksOf, type Setup } from "@/contract";
import { findStep, lineDirection, LINES_STEP, practisedAs, practisedDirections, stepsPractised } from "@/syllabus";
import { Option, OptionHeading } from "@/ui/forms/options";
import { PickOne } from "@/ui/forms/pick-one";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { AtSiteControls, type AtSite } from "@/ui/site/at-site";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { SetHomework } from "./homework";
import type { PracticeData } from "./load";

/** How a drill is flown: with the pilot's own modes or with a help, and in which wind. */
export interface Chosen {
  readonly help: Help;
  readonly windMps: number;
  readonly at: AtSite | null;
}
const helps = ["own", "self-level", "limit-30"] as const;
export type Help = (typeof helps)[number];
const helpNames: Readonly<Record<Help, string>> = {
  own: "Own modes",
  "self-level": "Self-level",
  "limit-30": "Bank limit 30°",
};
/** A head wind at the start, with the gusts that belong to it. */
const winds = [
  [0, "Still air"],
  [3, "Light wind"],
  [6, "Gusty wind"],
] as const;

/** The step, its direction or its line, that are practised now. */
export function useDrill({ manner, lines, stepId: first }: PracticeData) {
  const syllabus = useSyllabus();
  const withLines = lines.length > 0;
  const stages = useMemo(() => stepsPractised(syllabus, manner, withLines), [syllabus, manner, withLines]);
  const [stepId, setStep] = useState(first ?? stages[0].steps[0].id);
  const step = findStep(syllabus, stepId) ?? stages[0].steps[0];
  const directions = practisedDirections(step, manner);
  const [wanted, setDirection] = useState("");
  const [lineId, setLine] = useState("");
  const line = step.id === LINES_STEP ? (lines.find(({ id }) => id === lineId) ?? lines.at(0) ?? null) : null;
  const direction = line
    ? lineDirection(step, tricksOf(line.line.items).length)
    : (directions.find(({ id }) => id === wanted) ?? directions[0]).id;
  const practised = practisedAs(step, direction, manner);
  return { stages, practised, step, setStep, directions, direction, setDirection, line, lines, setLine };
}

/** What is flown, in which air, by whom. */
export function PracticeHead(props: {
  data: PracticeData;
  drill: ReturnType<typeof useDrill>;
  chosen: Chosen;
  helped: boolean;
  setup: Setup;
  aircraftName: string;
  nowMs: number;
  onChoose: (chosen: Chosen) => void;
}) {
  const { data, drill, chosen, helped, setup, aircraftName, nowMs, onChoose } = props;
  const { stages, practised, step, setStep, directions, direction, setDirection, line, lines, setLine } = drill;
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 1 }}>
      <Typography variant="h1" sx={{ mr: 1 }}>
        Practice
      </Typography>
      <HeadSelect label="Drill" value={step.id} onPick={setStep}>
        {drillOptions(stages)}
      </HeadSelect>
      {line && (
        <HeadSelect label="Line" value={line.id} onPick={setLine}>
          {lines.map(({ id, name }) => (
            <Option key={id} value={id}>
              {name}
            </Option>
          ))}
        </HeadSelect>
      )}
      {!line && directions.length > 1 && (
        <PickOne
          label="Direction"
          value={direction}
          options={directions.map(({ id, name }) => [id, name] as const)}
          onPick={setDirection}
        />
      )}
      <Conditions chosen={chosen} helped={helped} onChoose={onChoose} />
      {practised?.kind === "trick" && data.sites.length > 0 && (
        <Box sx={{ width: 220 }}>
          <AtSiteControls sites={data.sites} at={chosen.at} onChange={(at) => onChoose({ ...chosen, at })} />
        </Box>
      )}
      <FlownWith pilotName={data.pilot.name} aircraftName={aircraftName} setup={setup} tries={data.tries[step.id]} />
      {data.setsHomework && (
        <Box sx={{ ml: "auto" }}>
          <SetHomework {...{ data, step, nowMs }} />
        </Box>
      )}
    </Box>
  );
}

/** Who flies it with what, and how often it was practised. */
function FlownWith(props: {
  pilotName: string;
  aircraftName: string;
  setup: Setup;
  tries: PracticeData["tries"][string] | undefined;
}) {
  const { pilotName, aircraftName, setup, tries } = props;
  return (
    <Typography sx={{ color: "text.secondary" }}>
      {pilotName} with {aircraftName}, setup <span className="num">{setup.number}</span>
      {tries && (
        <>
          {" "}
          · practised: <b className="num">{tries.clean}</b> clean of <span className="num">{tries.all}</span>
        </>
      )}
    </Typography>
  );
}

/** One of a list, in the head of the screen. */
function HeadSelect(props: { label: string; value: string; onPick: (value: string) => void; children: ReactNode }) {
  const { label, value, onPick, children } = props;
  return (
    <SelectField
      size="small"
      label={label}
      value={value}
      onChange={({ target }) => onPick(target.value)}
      sx={{ minWidth: 240 }}
    >
      {children}
    </SelectField>
  );
}

/** The drills by stage, in the order of learning. */
const drillOptions = (stages: ReturnType<typeof stepsPractised>) =>
  stages.flatMap(({ stage, name, steps }) => [
    <OptionHeading key={stage}>
      {stage} {name}
    </OptionHeading>,
    ...steps.map(({ id, name: stepName }) => (
      <Option key={id} value={id}>
        {stepName}
      </Option>
    )),
  ]);

/** The air it is flown in, and what helps. */
function Conditions(props: { chosen: Chosen; helped: boolean; onChoose: (chosen: Chosen) => void }) {
  const { chosen, helped, onChoose } = props;
  return (
    <>
      <PickOne
        label="Air"
        value={chosen.windMps}
        options={winds}
        onPick={(windMps) => onChoose({ ...chosen, windMps })}
      />
      {helped && (
        <PickOne
          label="Help"
          value={chosen.help}
          options={helps.map((one) => [one, helpNames[one]] as const)}
          onPick={(help) => onChoose({ ...chosen, help })}
        />
      )}
    </>
  );
}
