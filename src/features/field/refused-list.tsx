"use client";

import Button from "@mui/material/Button";
import { useState } from "react";
import { outcomes, type Outcome } from "@/core";
import { flownStep, type Step } from "@/syllabus";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { outcomeWords } from "@/ui/marks/marks";
import { dismiss, resubmit, type Outgoing } from "@/ui/outbox/outbox";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { ActionInput, FieldAction, TallyData } from "@/contract";
import { DateField } from "@/ui/forms/date-field";
import { Chips } from "./tally-parts";

const does: Readonly<Record<Outgoing["action"], string>> = {
  "begin-in-field": "the session",
  "begin-session": "the beginning of the session",
  "log-attempt": "an attempt",
  "set-faults": "the faults of an attempt",
  "set-held": "what was held at a try",
  "set-measured": "the numbers of an attempt",
  "add-session-note": "a note",
  "undo-attempt": "an undoing",
  "restore-attempt": "an attempt brought back",
  "sign-off": "a sign-off",
  "end-session": "the end of the session",
  "reopen-session": "the opening again",
  "take-in": "a pilot who came in",
  "let-go": "a pilot who left",
  "check-aircraft": "a check after a crash",
  "log-try": "a try of practice",
};

/** What the server refused: with its reason, to be put right, sent again as it is, or let go of. */
export function RefusedList({ data, items }: { data: TallyData; items: readonly Outgoing[] }) {
  const [mendingKey, setMending] = useState<string | null>(null);
  return items.map((item) => (
    <Box
      key={item.key}
      role="alert"
      sx={(theme) => ({ fontSize: "0.9rem", borderLeft: `4px solid ${theme.tokens.buoy}`, pl: 1 })}
    >
      <Box sx={{ color: "error.main" }}>
        ✕ Not taken, {does[item.action]}: {item.refused}
      </Box>
      {mendingKey === item.key ? (
        <Mend
          data={data}
          item={item}
          onSend={(mended) => {
            setMending(null);
            void resubmit(item.key, mended);
          }}
        />
      ) : (
        <>
          {["log-attempt", "set-faults"].includes(item.action) && (
            <Button size="small" sx={{ minHeight: 56 }} onClick={() => setMending(item.key)}>
              Fix it
            </Button>
          )}
          <Button size="small" sx={{ minHeight: 56 }} onClick={() => void resubmit(item.key)}>
            Send again
          </Button>
          <Button size="small" sx={{ minHeight: 56 }} onClick={() => void dismiss(item.key)}>
            Drop it
          </Button>
        </>
      )}
    </Box>
  ));
}

type OnSend = (mended: FieldAction) => void;

function Mend({ data, item, onSend }: { data: TallyData; item: Outgoing; onSend: OnSend }) {
  if (item.action === "log-attempt") return <MendTap data={data} tap={item.input} onSend={onSend} />;
  if (item.action === "set-faults") return <MendFaults data={data} input={item.input} onSend={onSend} />;
  return null;
}

/** `2026-12-05T10:00:05` by the clock of this device, as time fields want it. */
const localText = (ms: number) => new Date(ms - new Date(ms).getTimezoneOffset() * 60_000).toISOString().slice(0, 19);

function MendTap({ data, tap, onSend }: { data: TallyData; tap: ActionInput<"log-attempt">; onSend: OnSend }) {
  const syllabus = useSyllabus();
  const [pilotId, setPilot] = useState(tap.pilotId);
  const [stepId, setStep] = useState(tap.stepId);
  const [direction, setDirection] = useState(tap.direction);
  const [outcome, setOutcome] = useState<Outcome>(tap.outcome);
  const [flown, setFlown] = useState(() => localText(tap.flownAtMs));
  const steps = syllabus.steps.some(({ id }) => id === stepId)
    ? syllabus.steps
    : [flownStep(syllabus, stepId), ...syllabus.steps];
  const { directions } = flownStep(syllabus, stepId, stepId === tap.stepId ? [tap.direction] : []);
  const known = directions.some(({ id }) => id === direction);
  const flownAtMs = new Date(flown).getTime();
  const select = (
    label: string,
    value: string,
    onChange: (value: string) => void,
    options: readonly { readonly id: string; readonly name: string }[],
  ) => (
    <SelectField size="small" label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      {options.map(({ id, name }) => (
        <Option key={id} value={id}>
          {name}
        </Option>
      ))}
    </SelectField>
  );
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1, my: 1 }}>
      {select("Pilot", pilotId, setPilot, data.pilots)}
      {select("Step", stepId, setStep, steps)}
      {select("Direction", known ? direction : "", setDirection, directions)}
      {select(
        "Outcome",
        outcome,
        (value) => setOutcome(value as Outcome),
        outcomes.map((id) => ({ id, name: outcomeWords[id] })),
      )}
      <DateField to="second" size="small" label="Flown" value={flown} onChange={setFlown} />
      <Button
        variant="contained"
        disabled={!known || !Number.isFinite(flownAtMs)}
        onClick={() =>
          onSend({ action: "log-attempt", input: { ...tap, pilotId, stepId, direction, outcome, flownAtMs } })
        }
      >
        Send it
      </Button>
    </Box>
  );
}

function MendFaults({ data, input, onSend }: { data: TallyData; input: ActionInput<"set-faults">; onSend: OnSend }) {
  const syllabus = useSyllabus();
  const attempt = data.attempts.find(({ id }) => id === input.id);
  const step: Step = flownStep(syllabus, attempt?.stepId ?? "");
  const [faults, setFaults] = useState(input.faults.filter((id) => step.faults.some((fault) => fault.id === id)));
  return (
    <Box sx={{ my: 1 }}>
      <Chips
        options={step.faults}
        chosen={faults}
        disabled={false}
        label="Faults to send"
        onToggle={(id) =>
          setFaults((before) => (before.includes(id) ? before.filter((one) => one !== id) : [...before, id]))
        }
      />
      <Button
        variant="contained"
        sx={{ mt: 1 }}
        onClick={() => onSend({ action: "set-faults", input: { ...input, faults } })}
      >
        Send it
      </Button>
    </Box>
  );
}
