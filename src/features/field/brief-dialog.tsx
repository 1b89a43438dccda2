"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import { useState } from "react";
import { FieldBrief, type BriefData } from "@/features/brief/client";
import { Dialog } from "@/ui/layout/opened";

/** The brief of the step flown now, from this device. */
export function BriefDialog({
  brief,
  direction,
  onClose,
}: {
  brief: BriefData;
  direction: string;
  onClose: () => void;
}) {
  const [shown, setShown] = useState(direction);
  return (
    <Dialog open fullScreen onClose={onClose} slotProps={{ paper: { "aria-label": "Brief" } }}>
      <DialogContent>
        <FieldBrief data={{ ...brief, direction: shown }} onDirection={setShown} />
      </DialogContent>
      <DialogActions>
        <Button variant="contained" size="large" onClick={onClose} sx={{ minHeight: 56 }}>
          Back to the tally
        </Button>
      </DialogActions>
    </Dialog>
  );
}
