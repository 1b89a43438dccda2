"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import List from "@mui/material/List";
import ListItemButton from "@mui/material/ListItemButton";
import ListItemText from "@mui/material/ListItemText";
import { useState } from "react";
import type { LoggedAttempt, TallyPilot } from "@/contract";
import { counted } from "@/words";

interface PilotSwitchProps {
  readonly pilot: TallyPilot;
  /** Everybody once, who is next first. */
  readonly order: readonly TallyPilot[];
  readonly attempts: readonly LoggedAttempt[];
  readonly onChoose: (pilotId: string) => void;
  readonly onBack: () => void;
}

/** Whose turn it is; a tap on the name lets anybody else fly, or goes back a turn. */
export function PilotSwitch({ pilot, order, attempts, onChoose, onBack }: PilotSwitchProps) {
  const [choosing, setChoosing] = useState(false);
  const flown = (id: string) => attempts.filter(({ pilotId }) => pilotId === id).length;
  const close = (then: () => void) => () => {
    setChoosing(false);
    then();
  };
  const name = (
    <Box
      component="h1"
      sx={{ m: 0, fontSize: "1.25rem", fontWeight: 700, lineHeight: 1.2, overflowWrap: "anywhere", textAlign: "left" }}
    >
      {pilot.name}
    </Box>
  );
  if (order.length < 2) return name;
  return (
    <>
      <ButtonBase
        onClick={() => setChoosing(true)}
        aria-haspopup="dialog"
        aria-label={`${pilot.name}, whose turn it is. Choose somebody else`}
        sx={{ minHeight: 56, width: "100%", justifyContent: "flex-start", gap: 1 }}
      >
        {name}
        <span aria-hidden>▾</span>
      </ButtonBase>
      <Dialog open={choosing} onClose={() => setChoosing(false)} aria-labelledby="whose-turn" fullWidth maxWidth="xs">
        <DialogTitle id="whose-turn">Whose turn</DialogTitle>
        <DialogContent>
          <List disablePadding>
            {order.map((one, i) => (
              <ListItemButton
                key={one.id}
                selected={one.id === pilot.id}
                onClick={close(() => onChoose(one.id))}
                sx={{ minHeight: 60 }}
              >
                <ListItemText
                  primary={one.name}
                  secondary={[
                    ...(one.id === pilot.id ? ["flying now"] : i === 0 ? ["next"] : []),
                    counted(flown(one.id), "attempt"),
                  ].join(", ")}
                />
              </ListItemButton>
            ))}
          </List>
          <Button onClick={close(onBack)} sx={{ minHeight: 56, mt: 1 }}>
            Back to the turn before
          </Button>
        </DialogContent>
      </Dialog>
    </>
  );
}
