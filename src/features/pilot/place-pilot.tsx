"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { pathOf, routeOf } from "@/syllabus";
import { useSend } from "@/ui/actions/use-send";
import { useUndoOffer } from "@/ui/actions/use-undoable";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { counted } from "@/words";
import type { PilotData } from "./load";

/** For who comes with experience: the step to start at, everything before it signed off as from before this record. */
export function PlacePilot({ data }: { data: PilotData }) {
  const syllabus = useSyllabus();
  const { sendAction, pending } = useSend();
  const offerUndo = useUndoOffer();
  const [open, setOpen] = useState(false);
  const way = pathOf(syllabus, routeOf(data.school)).filter(({ optional }) => !optional);
  const signed = new Set(data.milestones.map(({ stepId }) => stepId));
  const [stepId, setStepId] = useState(data.current?.stepId ?? way[0].id);
  const before = way.slice(
    0,
    way.findIndex(({ id }) => id === stepId),
  );
  const count = before.filter(({ id }) => !signed.has(id)).length;
  const place = async () => {
    const placing = { id: newId(), pilotId: data.pilot.id, stepId };
    const result = await sendAction("place-pilot", placing);
    if (!result.ok) return;
    setOpen(false);
    offerUndo(`${counted(result.data.count, "step")} signed off as from before this record`, () =>
      sendAction("unplace-pilot", placing),
    );
  };
  return (
    <>
      <Button onClick={() => setOpen(true)}>Set starting step</Button>
      <Dialog open={open} onClose={() => setOpen(false)} aria-labelledby="place-pilot" fullWidth maxWidth="xs">
        <DialogTitle id="place-pilot">Where does {data.pilot.name} start?</DialogTitle>
        <DialogContent>
          <Box sx={{ pt: 1, display: "grid", gap: 1.5 }}>
            <SelectField label="Starts at" value={stepId} onChange={(event) => setStepId(event.target.value)}>
              {way.map(({ id, name }) => (
                <Option key={id} value={id}>
                  {name}
                </Option>
              ))}
            </SelectField>
            <Typography>
              {count === 0
                ? "Every step before it is signed off already."
                : `${counted(count, "step")} before it ${count === 1 ? "is" : "are"} signed off as from before this record. Each can be withdrawn.`}
            </Typography>
          </Box>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Cancel</Button>
          <Button variant="contained" disabled={count === 0 || pending} onClick={place}>
            Place pilot
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
