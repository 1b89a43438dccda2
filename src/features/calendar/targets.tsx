"use client";

import { DAY_MS } from "@/core";
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { stepName } from "@/syllabus";
import { send } from "@/ui/actions/send";
import { useUndoable } from "@/ui/actions/use-undoable";
import { DateField } from "@/ui/forms/date-field";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { Moment } from "@/ui/moment/moment";
import { stepOptions } from "@/ui/syllabus/step-options";
import { useSyllabusOf } from "@/ui/syllabus/use-syllabus";
import { outlookWords } from "@/words";
import type { CalendarData } from "./load";

const marks = {
  there: { shape: "■", colour: "shoal" },
  enough: { shape: "◆", colour: "shoal" },
  short: { shape: "▲", colour: "ochreText" },
  past: { shape: "✕", colour: "buoyText" },
} as const;

/** By when who is to have what signed off, and what it would take. */
export function Targets({ data }: { data: CalendarData }) {
  const [setting, setSetting] = useState(false);
  const router = useRouter();
  const undoable = useUndoable();
  const syllabusOf = useSyllabusOf();
  return (
    <Box component="section" aria-labelledby="targets" sx={{ mb: 3 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2 }}>
        <Typography variant="h2" id="targets">
          Target dates
        </Typography>
        {data.mayChange && data.pilots.length > 0 && (
          <Button size="small" onClick={() => setSetting(true)}>
            Add target
          </Button>
        )}
      </Box>
      {data.targets.length === 0 && (
        <Typography color="text.secondary">
          None. {data.mayChange && "With one, the attempts and sessions it takes are worked out from the pilot's pace."}
        </Typography>
      )}
      {data.targets.map(({ id, pilotId, stepId, dueAtMs, outlook }) => {
        const pilot = data.pilots.find((one) => one.id === pilotId);
        const { shape, colour } = marks[outlook.kind];
        return (
          <Box
            key={id}
            sx={(theme) => ({
              display: "grid",
              gridTemplateColumns: { xs: "minmax(0,1fr)", md: "190px 200px minmax(0,1fr) auto" },
              columnGap: 2,
              py: 1,
              borderTop: `1.5px solid ${theme.tokens.rule}`,
            })}
          >
            <Box sx={{ fontWeight: 650 }}>
              <Moment atMs={dueAtMs} />
            </Box>
            <span>
              {pilot?.name}
              <Box sx={{ fontSize: "0.88rem" }}>{stepName(syllabusOf(pilot?.squadId ?? ""), stepId)}</Box>
            </span>
            <Box sx={(theme) => ({ color: theme.tokens[colour], fontWeight: 600 })}>
              {shape} {outlookWords(outlook)}
            </Box>
            {data.mayChange ? (
              <Button
                size="small"
                onClick={() => undoable("remove-target", "restore-target", id, "Target removed")}
                sx={{ alignSelf: "start" }}
              >
                Remove
              </Button>
            ) : (
              <span />
            )}
          </Box>
        );
      })}
      <Dialog open={setting} onClose={() => setSetting(false)} aria-labelledby="set-target" fullWidth maxWidth="xs">
        <DialogTitle id="set-target">Set a target date</DialogTitle>
        <DialogContent>
          <TargetForm
            data={data}
            onDone={() => {
              setSetting(false);
              router.refresh();
            }}
          />
        </DialogContent>
      </Dialog>
    </Box>
  );
}

const MONTH_MS = 30 * DAY_MS;

function TargetForm({ data, onDone }: { data: CalendarData; onDone: () => void }) {
  const [id] = useState(() => newId());
  const [pilotId, setPilot] = useState(data.pilots[0].id);
  const [stepId, setStep] = useState("");
  const [due, setDue] = useState(() => new Date(data.nowMs + MONTH_MS).toISOString().slice(0, 10));
  const [failure, setFailure] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const syllabus = useSyllabusOf()(data.pilots.find((one) => one.id === pilotId)!.squadId);
  const dueAtMs = new Date(`${due}T23:59:00`).getTime();
  const save = async () => {
    setBusy(true);
    const result = await send("set-target", { id, pilotId, stepId, dueAtMs });
    setBusy(false);
    if (result.ok) onDone();
    else setFailure(result.message);
  };
  return (
    <Box sx={{ display: "grid", gap: 2, pt: 1 }}>
      <SelectField label="Pilot" value={pilotId} onChange={(event) => setPilot(event.target.value)}>
        {data.pilots.map(({ id: one, name }) => (
          <Option key={one} value={one}>
            {name}
          </Option>
        ))}
      </SelectField>
      <SelectField label="Step signed off" value={stepId} onChange={(event) => setStep(event.target.value)}>
        {stepOptions(syllabus)}
      </SelectField>
      <DateField label="By" value={due} onChange={setDue} />
      {failure && <Alert severity="error">{failure}</Alert>}
      <Button
        variant="contained"
        disabled={busy || !stepId || !Number.isFinite(dueAtMs)}
        onClick={save}
        sx={{ justifySelf: "start" }}
      >
        Save target
      </Button>
    </Box>
  );
}
