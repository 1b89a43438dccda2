"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { DAY_MS, dayText, type Attempt } from "@/core";
import type { Homework } from "@/contract";
import { stepName, type Step } from "@/syllabus";
import { send } from "@/ui/actions/send";
import { useUndoable } from "@/ui/actions/use-undoable";
import { DateField } from "@/ui/forms/date-field";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { Moment } from "@/ui/moment/moment";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { homeworkWords } from "@/words";
import type { PracticeData } from "./load";

/** What the coach asked for, and how far it has come; nothing where nothing is asked. */
export function HomeworkList(props: {
  data: PracticeData;
  step: Step;
  nowMs: number;
  /** Tries of this sitting that the page has not read back yet, by step. */
  since: Readonly<Record<string, readonly Attempt[]>>;
  onPractise: (stepId: string) => void;
}) {
  const { data, step, nowMs, since, onPractise } = props;
  const syllabus = useSyllabus();
  const undoable = useUndoable();
  if (data.homework.length === 0) return null;
  return (
    <Box component="section" aria-labelledby="homework" sx={{ mb: 1.5 }}>
      <Typography variant="h2" id="homework">
        Homework
      </Typography>
      {data.homework.map((one) => (
        <Line
          key={one.id}
          one={{
            ...one,
            done: one.done + (since[one.stepId] ?? []).filter(({ outcome }) => outcome === "clean").length,
          }}
          {...{ nowMs, name: stepName(syllabus, one.stepId), now: one.stepId === step.id }}
          onPractise={() => onPractise(one.stepId)}
          onRemove={
            data.setsHomework
              ? () => void undoable("remove-homework", "restore-homework", one.id, "Homework removed")
              : null
          }
        />
      ))}
    </Box>
  );
}

/** A coach asks for clean tries of the drill in hand by a date. */
export function SetHomework(props: { data: PracticeData; step: Step; nowMs: number }) {
  const { data } = props;
  const [setting, setSetting] = useState(false);
  return (
    <>
      <Button variant="outlined" onClick={() => setSetting(true)}>
        Set homework
      </Button>
      <Dialog open={setting} onClose={() => setSetting(false)} aria-labelledby="set-homework" fullWidth maxWidth="xs">
        <DialogTitle id="set-homework">Homework for {data.pilot.name}</DialogTitle>
        <DialogContent>
          <HomeworkForm {...props} onDone={() => setSetting(false)} />
        </DialogContent>
      </Dialog>
    </>
  );
}

function Line(props: {
  one: Homework;
  name: string;
  nowMs: number;
  /** It is what is flown now. */
  now: boolean;
  onPractise: () => void;
  onRemove: (() => void) | null;
}) {
  const { one, name, nowMs, now, onPractise, onRemove } = props;
  const { mark, says } = homeworkWords(one, nowMs);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1.5 }}>
      <span>
        {mark} <b>{name}</b>: {says}
      </span>
      <Box component="span" sx={{ color: "text.secondary" }}>
        due <Moment atMs={one.dueAtMs} />
      </Box>
      {!now && (
        <Button size="small" variant="text" onClick={onPractise}>
          Practise {name}
        </Button>
      )}
      {onRemove && (
        <Button size="small" variant="text" onClick={onRemove}>
          Remove
        </Button>
      )}
    </Box>
  );
}

const WEEK_MS = 7 * DAY_MS;

function HomeworkForm(props: { data: PracticeData; step: Step; nowMs: number; onDone: () => void }) {
  const { data, step, nowMs, onDone } = props;
  const [id] = useState(() => newId());
  const [tries, setTries] = useState("10");
  const [due, setDue] = useState(() => dayText("UTC", nowMs + WEEK_MS));
  const [failure, setFailure] = useState<string | null>(null);
  const router = useRouter();
  const dueAtMs = new Date(`${due}T23:59:00`).getTime();
  const save = async () => {
    const result = await send("set-homework", {
      ...{ id, pilotId: data.pilot.id, stepId: step.id, tries: Number(tries), dueAtMs },
    });
    if (!result.ok) return setFailure(result.message);
    onDone();
    router.refresh();
  };
  return (
    <Box sx={{ display: "grid", gap: 2, pt: 1 }}>
      <Typography>
        Clean tries of <b>{step.name}</b> in practice.
      </Typography>
      <TextField
        label="Clean tries"
        value={tries}
        onChange={({ target }) => setTries(target.value)}
        slotProps={{ htmlInput: { inputMode: "numeric" } }}
      />
      <DateField label="Due" value={due} onChange={setDue} />
      {failure && <Alert severity="error">{failure}</Alert>}
      <Button
        variant="contained"
        disabled={!/^\d{1,3}$/.test(tries) || !Number.isFinite(dueAtMs)}
        onClick={() => void save()}
        sx={{ justifySelf: "start" }}
      >
        Set homework
      </Button>
    </Box>
  );
}
