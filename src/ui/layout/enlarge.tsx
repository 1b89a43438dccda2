"use client";

import CloseIcon from "@mui/icons-material/Close";
import OpenInFullIcon from "@mui/icons-material/OpenInFull";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import IconButton from "@mui/material/IconButton";
import { useState, type ReactNode } from "react";
import { Box } from "./box";
import { Dialog } from "./opened";

/** A drawing that opens as large as the window, at the same moment; `below` stands under it there, to move that moment. */
export function Enlarge({ title, below, children }: { title: string; below?: ReactNode; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <Box sx={{ position: "relative", minWidth: 0 }}>
      {children}
      <IconButton
        size="small"
        aria-label={`Enlarge: ${title}`}
        onClick={() => setOpen(true)}
        sx={(theme) => ({ position: "absolute", top: 2, right: 2, bgcolor: theme.tokens.paper, borderRadius: "2px" })}
      >
        <OpenInFullIcon sx={{ fontSize: 16 }} />
      </IconButton>
      <Dialog open={open} onClose={() => setOpen(false)} fullWidth maxWidth="xl" aria-label={title}>
        <DialogTitle component="div" sx={{ display: "flex", alignItems: "center", fontWeight: 700 }}>
          <Box sx={{ flex: 1 }}>{title}</Box>
          <IconButton aria-label="Close" onClick={() => setOpen(false)}>
            <CloseIcon />
          </IconButton>
        </DialogTitle>
        <DialogContent>
          {open && children}
          {below}
        </DialogContent>
      </Dialog>
    </Box>
  );
}
