"use client";

import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import List from "@mui/material/List";
import ListItem from "@mui/material/ListItem";
import ListItemButton from "@mui/material/ListItemButton";
import ListItemText from "@mui/material/ListItemText";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { LoggedAttempt, TallyPilot } from "@/contract";
import { Box } from "@/ui/layout/box";
import { counted } from "@/words";
import { Dialog } from "@/ui/layout/opened";

interface PilotSwitchProps {
  readonly pilot: TallyPilot;
  /** Everybody who flies once, who is next first. */
  readonly order: readonly TallyPilot[];
  /** Pilots who could come in, or back. */
  readonly absent: readonly TallyPilot[];
  readonly attempts: readonly LoggedAttempt[];
  readonly onChoose: (pilotId: string) => void;
  readonly onBack: () => void;
  /** Null where who flies is not for them to change. */
  readonly changes: { readonly takeIn: (pilot: TallyPilot) => void; readonly letGo: (pilotId: string) => void } | null;
}

/** Whose turn it is; a tap on the name lets anybody else fly, goes back a turn, and takes pilots in or lets them go. */
export function PilotSwitch({ pilot, order, absent, attempts, onChoose, onBack, changes }: PilotSwitchProps) {
  const [choosing, setChoosing] = useState(false);
  const close = (then: () => void) => () => {
    setChoosing(false);
    then();
  };
  const flown = (id: string) => attempts.filter(({ pilotId }) => pilotId === id).length;
  const name = (
    <Box
      component="h1"
      sx={{ m: 0, fontSize: "1.25rem", fontWeight: 700, lineHeight: 1.2, overflowWrap: "anywhere", textAlign: "left" }}
    >
      {pilot.name}
    </Box>
  );
  if (order.length < 2 && (changes === null || absent.length === 0)) return name;
  return (
    <>
      <ButtonBase
        onClick={() => setChoosing(true)}
        aria-haspopup="dialog"
        aria-label={`${pilot.name}, whose turn it is. Choose someone else`}
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
              <ListItem
                key={one.id}
                disablePadding
                secondaryAction={
                  changes &&
                  order.length > 1 && (
                    <Button
                      sx={{ minHeight: 56 }}
                      onClick={() => changes.letGo(one.id)}
                      aria-label={`${one.name} leaves`}
                    >
                      Leaves
                    </Button>
                  )
                }
              >
                <ListItemButton
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
              </ListItem>
            ))}
          </List>
          <Button onClick={close(onBack)} sx={{ minHeight: 56, mt: 1 }}>
            Back to the turn before
          </Button>
          {changes && absent.length > 0 && (
            <>
              <Typography variant="h2" sx={{ mt: 2, fontSize: "1rem" }}>
                Add a pilot
              </Typography>
              <List disablePadding aria-label="Pilots not in this session">
                {absent.map((one) => (
                  <ListItemButton key={one.id} sx={{ minHeight: 56 }} onClick={() => changes.takeIn(one)}>
                    <ListItemText primary={one.name} secondary={one.left ? "was here" : undefined} />
                  </ListItemButton>
                ))}
              </List>
            </>
          )}
        </DialogContent>
      </Dialog>
    </>
  );
}
