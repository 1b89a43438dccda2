"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import type { PlannedFlight } from "@/core";
import { findStep, flownDirections, stepsInModel, type Manner } from "@/syllabus";
import { Option, OptionHeading } from "@/ui/forms/options";
import { PickOne } from "@/ui/forms/pick-one";
import { SelectField } from "@/ui/forms/select-field";
import { Dialog } from "@/ui/layout/opened";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { FlyableLine } from "./flights";

/** Picks a trick or a line; it is then laid on the plan at the pilot stand, into the wind. */
export function LayFlight(props: {
  open: boolean;
  onClose: () => void;
  manner: Manner;
  lines: readonly FlyableLine[];
  onLay: (of: PlannedFlight["of"]) => void;
}) {
  const { open, onClose, manner, lines, onLay } = props;
  const syllabus = useSyllabus();
  const stagesFlown = useMemo(() => stepsInModel(syllabus, manner), [syllabus, manner]);
  const [kind, setKind] = useState<PlannedFlight["of"]["kind"]>("step");
  const [stepId, setStep] = useState(stagesFlown[0]?.steps[0]?.id ?? "");
  const [wanted, setDirection] = useState("");
  const [lineId, setLine] = useState(lines[0]?.id ?? "");
  const step = findStep(syllabus, stepId);
  const directions = step ? flownDirections(step, manner) : [];
  const direction = directions.find(({ id }) => id === wanted)?.id ?? directions[0]?.id ?? "";
  const of: PlannedFlight["of"] = kind === "step" ? { kind, stepId, direction } : { kind, lineId };
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="lay-flight" fullWidth maxWidth="xs">
      <DialogTitle id="lay-flight">Fly something here</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 2 }}>
        <Typography>
          It lies on the plan to scale, from the pilot stand into the wind; move and turn it there.
        </Typography>
        {lines.length > 0 && (
          <PickOne
            label="What is flown"
            value={kind}
            options={[
              ["step", "A trick"],
              ["line", "A line"],
            ]}
            onPick={setKind}
          />
        )}
        {kind === "step" ? (
          <SelectField label="Trick" value={stepId} onChange={({ target }) => setStep(target.value)}>
            {stagesFlown.flatMap(({ stage, name, steps }) => [
              <OptionHeading key={stage}>
                {stage} {name}
              </OptionHeading>,
              ...steps.map((one) => (
                <Option key={one.id} value={one.id}>
                  {one.name}
                </Option>
              )),
            ])}
          </SelectField>
        ) : (
          <SelectField label="Line" value={lineId} onChange={({ target }) => setLine(target.value)}>
            {lines.map(({ id, name }) => (
              <Option key={id} value={id}>
                {name}
              </Option>
            ))}
          </SelectField>
        )}
        {kind === "step" && directions.length > 1 && (
          <PickOne
            label="Direction"
            value={direction}
            options={directions.map(({ id, name }) => [id, name] as const)}
            onPick={setDirection}
          />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button
          variant="contained"
          disabled={kind === "step" ? direction === "" : lineId === ""}
          onClick={() => {
            onLay(of);
            onClose();
          }}
        >
          Lay it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
