"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import { Dialog } from "@/ui/layout/opened";

/** Ends the session, after asking once: a tap with a glove on may be a mistake. */
export function EndSession({ waiting, onEnd }: { waiting: number; onEnd: () => void }) {
  const [asking, setAsking] = useState(false);
  const tall = { minHeight: 56 };
  return (
    <>
      <Button variant="outlined" onClick={() => setAsking(true)} sx={tall}>
        End the session
      </Button>
      <Dialog open={asking} onClose={() => setAsking(false)} aria-labelledby="end-session">
        <DialogTitle id="end-session">End the session for everybody?</DialogTitle>
        <DialogContent>
          What was tapped is kept{waiting > 0 && ", also what still waits on this device"}. It can be opened again from
          the debrief.
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(false)} sx={tall}>
            Fly on
          </Button>
          <Button
            variant="contained"
            sx={tall}
            onClick={() => {
              setAsking(false);
              onEnd();
            }}
          >
            End it
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
