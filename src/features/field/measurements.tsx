"use client";

import { typedNumber } from "@/contract";
import Button from "@mui/material/Button";
import { useState } from "react";
import { countedMeasures, type PassMark } from "@/core";
import type { LoggedAttempt } from "@/contract";
import type { Step } from "@/syllabus";
import { PickOne } from "@/ui/forms/pick-one";
import { Box } from "@/ui/layout/box";
import { capital, measureSides, measureWords, unitOf } from "@/words";
import { TextField } from "@/ui/forms/text-field";

/** A number as it is typed. Where a measure has sides it is typed without a sign: keypads of phones often have no minus. */
interface Entry {
  readonly text: string;
  readonly below: boolean;
}
type Entries = Readonly<Record<string, Entry>>;

/** Numbers of the last attempt, where the step has something to measure or to time. Sent when a field is left or a side is tapped. */
export function Measurements({
  step,
  last,
  onSet,
}: {
  step: Step;
  last: LoggedAttempt | undefined;
  onSet: (values: Pick<LoggedAttempt, "minutes" | "measured">) => void;
}) {
  const all = [...new Set([...step.measures, ...measuresOf(step.mark)])];
  const counts = countedMeasures.filter((name) => all.includes(name));
  const measures = all.filter((name) => !counts.some((one) => one === name));
  const timed = asksForMinutes(step.mark);
  const [entries, setEntries] = useState<Entries>(() => entriesOf(last));
  if (!timed && all.length === 0) return null;
  const change = (name: string, entry: Partial<Entry>): Entries => {
    const next = { ...entries, [name]: { ...(entries[name] ?? EMPTY), ...entry } };
    setEntries(next);
    return next;
  };
  const set = (from: Entries) => {
    const minutes = timed ? valueOf(from.minutes) : null;
    // What a recording told beside them stays.
    const others = Object.entries(last?.measured ?? {}).filter(([name]) => !measures.some((one) => one === name));
    const typed = Object.fromEntries(
      measures.flatMap((name) => {
        const value = valueOf(from[name]);
        return value === null ? [] : [[name, value]];
      }),
    );
    const measured = { ...typed, ...Object.fromEntries(others) };
    const asText = (one: LoggedAttempt["measured"]) => JSON.stringify(Object.entries(one).sort());
    if (last && (minutes !== last.minutes || asText(measured) !== asText(last.measured))) onSet({ minutes, measured });
  };
  const field = (name: string, label: string) => {
    const entry = entries[name] ?? EMPTY;
    const wrong = entry.text.trim() !== "" && valueOf(entry) === null;
    return (
      <TextField
        key={name}
        label={label}
        disabled={!last}
        value={entry.text}
        error={wrong}
        helperText={wrong ? "Enter a number, e.g. 12 or 4.5" : undefined}
        onChange={({ target }) => {
          const minus = name in measureSides && /^\s*[-−]/.test(target.value);
          change(name, minus ? { text: target.value.replace(/^\s*[-−]/, ""), below: true } : { text: target.value });
        }}
        onBlur={() => set(entries)}
        onKeyDown={(event) => event.key === "Enter" && set(entries)}
        slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 10 } }}
        sx={{ flex: 1 }}
      />
    );
  };
  return (
    <Box
      role="group"
      aria-label="Measured, last attempt"
      sx={{ display: "grid", gridTemplateColumns: "repeat(auto-fit, minmax(200px, 1fr))", gap: 1 }}
    >
      {counts.map((name) => (
        <Count
          key={name}
          name={capital(measureWords[name])}
          value={last?.measured[name] ?? 0}
          disabled={!last}
          onCount={(value) => last && onSet({ minutes: last.minutes, measured: { ...last.measured, [name]: value } })}
        />
      ))}
      {timed && field("minutes", "Minutes")}
      {measures.map((name) => (
        <Box key={name} sx={{ display: "flex", alignItems: "flex-start", gap: 0.5 }}>
          {field(name, `${capital(measureWords[name])}, ${unitOf(name).trim()}`)}
          {measureSides[name] && (
            <PickOne
              label={`${capital(measureWords[name])}: which side`}
              value={entries[name]?.below ? "below" : "above"}
              options={[
                ["below", measureSides[name][0]],
                ["above", measureSides[name][1]],
              ]}
              onPick={(side) => set(change(name, { below: side === "below" }))}
              disabled={!last}
              buttonSx={{ minHeight: 56, px: 1.5 }}
            />
          )}
        </Box>
      ))}
    </Box>
  );
}

/** Counted by taps with a glove on. */
function Count(props: { name: string; value: number; disabled: boolean; onCount: (value: number) => void }) {
  const { name, value, disabled, onCount } = props;
  const step = (by: 1 | -1, label: string, sign: string) => (
    <Button
      variant="outlined"
      aria-label={label}
      disabled={disabled || value + by < 0}
      onClick={() => onCount(value + by)}
      sx={{ minWidth: 56, minHeight: 56, fontSize: "1.4rem", p: 0 }}
    >
      {sign}
    </Button>
  );
  return (
    <Box role="group" aria-label={name} sx={{ display: "flex", alignItems: "center", gap: 1 }}>
      {step(-1, `One fewer: ${name.toLowerCase()}`, "−")}
      <Box sx={{ flex: 1, minWidth: 0, textAlign: "center", lineHeight: 1.15 }}>
        <Box className="num" sx={{ fontSize: "1.5rem", fontWeight: 700 }}>
          {value}
        </Box>
        <Box sx={{ fontSize: "0.9rem" }}>{name}</Box>
      </Box>
      {step(1, `One more: ${name.toLowerCase()}`, "+")}
    </Box>
  );
}

const EMPTY: Entry = { text: "", below: false };

function entriesOf(attempt: LoggedAttempt | undefined): Entries {
  const { minutes = null, measured = {} } = attempt ?? {};
  const known = [...Object.entries(measured), ...(minutes === null ? [] : [["minutes", minutes] as const])];
  return Object.fromEntries(
    known.map(([name, value]) => {
      const below = name in measureSides && value < 0;
      return [name, { text: String(below ? -value : value), below }];
    }),
  );
}

/** The number that was typed; null where there is none. */
function valueOf(entry: Entry = EMPTY): number | null {
  const value = typedNumber(entry.text);
  if (entry.text.trim() === "" || !Number.isFinite(value)) return null;
  return entry.below && value > 0 ? -value : value;
}

function rulesOf(mark: PassMark): readonly PassMark[] {
  if (mark.kind === "all" || mark.kind === "any") return mark.rules.flatMap(rulesOf);
  return mark.kind === "each-direction" || mark.kind === "in-places" ? rulesOf(mark.rule) : [mark];
}

const measuresOf = (mark: PassMark) =>
  rulesOf(mark).flatMap((rule) => (rule.kind === "measured" ? [rule.measure] : []));
const asksForMinutes = (mark: PassMark) => rulesOf(mark).some(({ kind }) => kind === "minutes");
