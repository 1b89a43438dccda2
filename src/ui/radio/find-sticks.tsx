"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { Box } from "../layout/box";
import { Dialog } from "../layout/opened";
import { axisMoved, radioSticks, type RadioAxis, type RadioMap, type RadioStick } from "./radio-map";
import { firstRadio } from "./use-radio";

const LOOK_MS = 60;
/** A stick is held at its end for so long before it is taken, ms, and comes back nearer than this before the next. */
const HELD_MS = 400;
const BACK = 0.25;

const asks: Readonly<Record<RadioStick, string>> = {
  throttle: "Open the throttle all the way and hold it",
  yaw: "Close the throttle; yaw all the way right and hold it",
  pitch: "Pull pitch all the way back, toward you, and hold it",
  roll: "Roll all the way right and hold it",
};

/** Finds which stick is which axis by having them moved one after the other. */
export function FindSticks({
  open,
  onClose,
  onFound,
}: {
  open: boolean;
  onClose: () => void;
  onFound: (map: RadioMap) => void;
}) {
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="find-sticks" fullWidth maxWidth="xs">
      <DialogTitle id="find-sticks">Find the sticks</DialogTitle>
      {open && (
        <Asking
          onClose={onClose}
          onFound={(map) => {
            onFound(map);
            onClose();
          }}
        />
      )}
    </Dialog>
  );
}

interface Progress {
  readonly rest: readonly number[];
  readonly found: Readonly<Partial<Record<RadioStick, RadioAxis>>>;
  /** The one that was taken last has not come back yet. */
  readonly waiting: boolean;
}

function Asking({ onClose, onFound }: { onClose: () => void; onFound: (map: RadioMap) => void }) {
  const [progress, setProgress] = useState<Progress | null>(null);
  const [gone, setGone] = useState(false);
  const next = progress && radioSticks.find((stick) => !progress.found[stick]);
  useEffect(() => {
    if (!progress || !next) return;
    let heldMs = 0;
    const timer = setInterval(() => {
      const pad = firstRadio();
      setGone(pad === null);
      if (!pad) return;
      const taken = Object.values(progress.found).map(({ index }) => index);
      // The throttle may stay where it was opened: it is not looked at any more.
      const axes = [...pad.axes];
      if (progress.waiting) {
        const last = Object.values(progress.found).at(-1)!;
        const back = last === progress.found.throttle || Math.abs(axes[last.index] - last.rest) < BACK;
        if (back) setProgress({ ...progress, waiting: false });
        return;
      }
      const axis = axisMoved(progress.rest, axes, taken);
      heldMs = axis ? heldMs + LOOK_MS : 0;
      if (!axis || heldMs < HELD_MS) return;
      const found = { ...progress.found, [next]: axis };
      if (radioSticks.every((stick) => found[stick])) onFound(found as RadioMap);
      else setProgress({ ...progress, found, waiting: true });
    }, LOOK_MS);
    return () => clearInterval(timer);
  }, [progress, next, onFound]);
  return (
    <>
      <DialogContent>
        <Box role="status" aria-live="polite">
          {gone && <Typography color="error.main">▲ The radio is gone. Plug it in and move a stick.</Typography>}
          {!progress ? (
            <Typography>Centre the sticks and close the throttle, then begin.</Typography>
          ) : (
            <Typography sx={{ fontSize: "1.2rem", fontWeight: 650 }}>
              {progress.waiting ? "Let it come back to the middle." : next && `${asks[next]}.`}
            </Typography>
          )}
        </Box>
        {progress && (
          <Typography sx={{ mt: 1, color: "text.secondary" }}>
            Found: {Object.keys(progress.found).join(", ") || "none yet"}.
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        {!progress && (
          <Button
            variant="contained"
            onClick={() => {
              const pad = firstRadio();
              setGone(pad === null);
              if (pad) setProgress({ rest: [...pad.axes], found: {}, waiting: false });
            }}
          >
            Begin
          </Button>
        )}
      </DialogActions>
    </>
  );
}
