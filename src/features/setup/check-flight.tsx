"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { checkFindings, checkParts, type Aircraft, type CheckFindings, type CheckPart } from "@/contract";
import { useSend } from "@/ui/actions/use-send";
import { PickOne } from "@/ui/forms/pick-one";
import { Box } from "@/ui/layout/box";
import { checkQuestions } from "@/words";
import { TextField } from "@/ui/forms/text-field";
import { Dialog } from "@/ui/layout/opened";

type Answers = Partial<CheckFindings>;
const isBad = (part: CheckPart, answers: Answers) =>
  answers[part] !== undefined && answers[part] !== checkFindings[part][0];

/** A flight by eye, answered question by question. Whatever is not well becomes a defect that stays open until it is mended. */
export function CheckFlightDialog({
  aircraft,
  open,
  onClose,
}: {
  aircraft: Aircraft;
  open: boolean;
  onClose: () => void;
}) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const [id, setId] = useState(() => newId());
  const [answers, setAnswers] = useState<Answers>({});
  const [what, setWhat] = useState<Readonly<Partial<Record<CheckPart, string>>>>({});
  const done = checkParts.every((part) => answers[part] !== undefined);
  const bad = checkParts.filter((part) => isBad(part, answers));
  const keep = async () => {
    const defects = bad.map((kind) => ({ id: newId(), kind, what: (what[kind] ?? "").trim() }));
    const found = answers as CheckFindings;
    if (!(await sendAction("check-flight", { id, aircraftId: aircraft.id, found, defects })).ok) return;
    setId(newId());
    setAnswers({});
    setWhat({});
    onClose();
    router.refresh();
  };
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="check-flight" fullWidth maxWidth="xs">
      <DialogTitle id="check-flight">Check flight: {aircraft.name}</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1 }}>
          By eye, low, over soft ground, nobody near. Props off while you work on it.
        </Typography>
        {checkParts.map((part) => (
          <Box key={part} sx={{ mt: 1.5 }}>
            <Typography component="h3" sx={{ fontWeight: 650, mb: 0.5 }}>
              {checkQuestions[part].asks}
            </Typography>
            <PickOne
              label={checkQuestions[part].asks}
              value={answers[part] ?? ""}
              options={Object.entries<string>(checkQuestions[part].answers)}
              onPick={(answer) => setAnswers({ ...answers, [part]: answer })}
              buttonSx={{ minHeight: 44, px: 2 }}
            />
            {isBad(part, answers) && (
              <TextField
                size="small"
                fullWidth
                margin="dense"
                label="More about it (optional)"
                value={what[part] ?? ""}
                onChange={(event) => setWhat({ ...what, [part]: event.target.value })}
                slotProps={{ htmlInput: { maxLength: 200 } }}
              />
            )}
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Not now</Button>
        <Button variant="contained" disabled={!done || pending} onClick={keep}>
          {bad.length > 0 ? "Save with its defects" : "All well: clear it to fly"}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
