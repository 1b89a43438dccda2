"use client";

import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { measureWords, unitOf, type AttemptMeasure, type PassMark } from "@/core";
import type { LoggedAttempt } from "@/server/repositories";
import type { Step } from "@/syllabus";
import { capital } from "@/ui/units/capital";

/** Numbers of the last attempt, where the step has something to measure or to time. Sent when a field is left. */
export function Measurements({
  step,
  last,
  onSet,
}: {
  step: Step;
  last: LoggedAttempt | undefined;
  onSet: (values: Pick<LoggedAttempt, "minutes" | "measured">) => void;
}) {
  const measures = [...new Set([...step.measures, ...measuresOf(step.mark)])];
  const timed = asksForMinutes(step.mark);
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>(() => ({
    ...Object.fromEntries(Object.entries(last?.measured ?? {}).map(([name, value]) => [name, String(value)])),
    ...(last?.minutes != null && { minutes: String(last.minutes) }),
  }));
  if (!timed && measures.length === 0) return null;
  const read = (name: string) => {
    const value = Number(typed[name]?.replace(",", "."));
    return typed[name]?.trim() && Number.isFinite(value) ? value : null;
  };
  const set = () => {
    const measured: Partial<Record<AttemptMeasure, number>> = {};
    for (const name of measures) {
      const value = read(name);
      if (value !== null) measured[name] = value;
    }
    const minutes = timed ? read("minutes") : null;
    if (last && JSON.stringify([minutes, measured]) !== JSON.stringify([last.minutes, last.measured]))
      onSet({ minutes, measured });
  };
  const field = (name: string, label: string) => (
    <TextField
      key={name}
      size="small"
      label={label}
      disabled={!last}
      value={typed[name] ?? ""}
      error={Boolean(typed[name]?.trim()) && read(name) === null}
      onChange={(event) => setTyped((all) => ({ ...all, [name]: event.target.value }))}
      onBlur={set}
      onKeyDown={(event) => event.key === "Enter" && set()}
      slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 10 } }}
    />
  );
  return (
    <Box
      role="group"
      aria-label="Measured, last attempt"
      sx={{ display: "grid", gridTemplateColumns: "repeat(auto-fit, minmax(130px, 1fr))", gap: 1 }}
    >
      {timed && field("minutes", "Minutes")}
      {measures.map((name) => field(name, `${capital(measureWords[name])}, ${unitOf(name).trim()}`))}
    </Box>
  );
}

function rulesOf(mark: PassMark): readonly PassMark[] {
  if (mark.kind === "all" || mark.kind === "any") return mark.rules.flatMap(rulesOf);
  return mark.kind === "each-direction" || mark.kind === "in-places" ? rulesOf(mark.rule) : [mark];
}

const measuresOf = (mark: PassMark) =>
  rulesOf(mark).flatMap((rule) => (rule.kind === "measured" ? [rule.measure] : []));
const asksForMinutes = (mark: PassMark) => rulesOf(mark).some(({ kind }) => kind === "minutes");
