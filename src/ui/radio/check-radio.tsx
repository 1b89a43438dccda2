"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useEffect, useRef, useState } from "react";
import { percent } from "@/words";
import { Dialog } from "../layout/opened";
import { radioFaults, type RadioFault } from "./radio-faults";
import type { RadioMap } from "./radio-map";
import { firstRadio } from "./use-radio";

/** It is left alone for so long, then moved, s. */
const STILL_S = 1.5;
const MOVED_S = 14;
const LOOK_MS = 8;

type Rows = readonly (readonly number[])[];

/** Looks for what is wrong with a radio: left alone first, then moved slowly to all its ends. */
export function CheckRadio({ open, onClose, map }: { open: boolean; onClose: () => void; map: RadioMap }) {
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="check-radio" fullWidth maxWidth="xs">
      <DialogTitle id="check-radio">Check the radio</DialogTitle>
      {open && <Checking map={map} onClose={onClose} />}
    </Dialog>
  );
}

type Stage = "ready" | "still" | "moving" | "told" | "gone";

function Checking({ map, onClose }: { map: RadioMap; onClose: () => void }) {
  const [stage, setStage] = useState<Stage>("ready");
  const [faults, setFaults] = useState<readonly RadioFault[]>([]);
  const rest = useRef<Rows>([]);
  useEffect(() => {
    if (stage !== "still" && stage !== "moving") return;
    const rows: number[][] = [];
    const timer = setInterval(() => {
      const pad = firstRadio();
      if (!pad) return setStage("gone");
      rows.push([...pad.axes]);
      if (rows.length * LOOK_MS < 1000 * (stage === "still" ? STILL_S : MOVED_S)) return;
      clearInterval(timer);
      if (stage === "still") {
        rest.current = rows;
        setStage("moving");
      } else {
        setFaults(radioFaults(map, rest.current, rows));
        setStage("told");
      }
    }, LOOK_MS);
    return () => clearInterval(timer);
  }, [stage, map]);
  return (
    <>
      <DialogContent>
        <Typography role="status" aria-live="polite" sx={{ fontSize: "1.15rem" }}>
          {says[stage]}
        </Typography>
        {stage === "told" && faults.length === 0 && (
          <Typography sx={{ mt: 1 }}>■ Nothing wrong: no dead spot, full ends, a quiet centre.</Typography>
        )}
        {stage === "told" && faults.length > 0 && (
          <ul>
            {faults.map((fault) => (
              <li key={`${fault.stick} ${fault.kind}`}>{faultWords(fault)}</li>
            ))}
          </ul>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        {(stage === "ready" || stage === "told" || stage === "gone") && (
          <Button variant="contained" onClick={() => setStage("still")}>
            {stage === "ready" ? "Start check" : "Check again"}
          </Button>
        )}
      </DialogActions>
    </>
  );
}

const says: Readonly<Record<Stage, string>> = {
  ready: "Centre the sticks, close the throttle, and take your hands off.",
  still: "Hands off…",
  moving: "Now move every stick slowly to all its ends and back, one after the other.",
  told: "Checked.",
  gone: "▲ The radio is gone. Plug it in and move a stick.",
};

function faultWords({ stick, kind, size }: RadioFault): string {
  switch (kind) {
    case "dead-spot":
      return `▲ ${stick}: the middle ${percent(size)} does nothing. Take the dead spot out in the radio, or calibrate it.`;
    case "short-end":
      return `▲ ${stick}: reaches ${percent(size)} of its end. Calibrate the radio, or raise its travel to full.`;
    case "reversed":
      return `▲ ${stick}: reversed in the radio. It is turned round here; the aircraft does not know that.`;
    case "noisy":
      return `▲ ${stick}: shakes by ${percent(size)} at rest. A worn stick; a dead spot would only hide it.`;
    case "off-centre":
      return `▲ ${stick}: rests ${percent(size)} off centre. Centre its trim, then find its sticks again.`;
  }
}
