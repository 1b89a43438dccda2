"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import { useState } from "react";
import { TextField } from "@/ui/forms/text-field";
import { Dialog } from "@/ui/layout/opened";

const LONGEST = 2000;

/** A note of a pilot, written in the field. What was begun and not kept is still there when it is opened again. */
export function NoteDialog({
  pilotName,
  text,
  onText,
  onKeep,
  onClose,
}: {
  pilotName: string;
  text: string;
  onText: (text: string) => void;
  onKeep: (text: string, forCoaches: boolean) => void;
  onClose: () => void;
}) {
  const kept = text.trim();
  const [forCoaches, setForCoaches] = useState(false);
  return (
    <Dialog open fullWidth onClose={onClose}>
      <DialogTitle>Note of {pilotName}</DialogTitle>
      <DialogContent>
        <TextField
          autoFocus
          fullWidth
          multiline
          minRows={3}
          margin="dense"
          label="What did you see?"
          value={text}
          helperText={forCoaches ? "Coaches of the squad only." : `${pilotName} can see this note.`}
          onChange={(event) => onText(event.target.value)}
          slotProps={{ htmlInput: { maxLength: LONGEST } }}
        />
        <FormControlLabel
          sx={{ minHeight: 56 }}
          control={<Switch checked={forCoaches} onChange={(_, on) => setForCoaches(on)} />}
          label="For coaches only"
        />
      </DialogContent>
      <DialogActions>
        <Button size="large" sx={{ minHeight: 56 }} onClick={onClose}>
          Back
        </Button>
        <Button
          size="large"
          sx={{ minHeight: 56 }}
          variant="contained"
          disabled={kept === ""}
          onClick={() => onKeep(kept, forCoaches)}
        >
          Save note
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Opens the note of a pilot; a draft for each pilot, until it is kept. */
export function useFieldNote(
  pilot: { readonly id: string },
  keep: (pilotId: string, text: string, forCoaches: boolean) => void,
) {
  const [drafts, setDrafts] = useState<Readonly<Record<string, string>>>({});
  const [open, setOpen] = useState(false);
  const set = (text: string) => setDrafts((all) => ({ ...all, [pilot.id]: text }));
  return {
    open,
    show: () => setOpen(true),
    close: () => setOpen(false),
    text: drafts[pilot.id] ?? "",
    set,
    keep: (text: string, forCoaches: boolean) => {
      keep(pilot.id, text, forCoaches);
      set("");
      setOpen(false);
    },
  };
}
