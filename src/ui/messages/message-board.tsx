"use client";

import Button from "@mui/material/Button";
import { closeSnackbar, enqueueSnackbar, SnackbarProvider } from "notistack";
import { useEffect } from "react";
import { onTold, takeMessages, type Message } from "./messages";

const variants = { done: "success", warning: "warning", error: "error" } as const;

function show({ text, kind, forMs, undo }: Message): void {
  enqueueSnackbar(text, {
    variant: kind ? variants[kind] : "default",
    ...(forMs && { autoHideDuration: forMs }),
    ...(undo && {
      action: (key) => (
        <Button
          color="inherit"
          onClick={() => {
            closeSnackbar(key);
            undo();
          }}
        >
          Undo
        </Button>
      ),
    }),
  });
}

/** Shows what is told. */
export function MessageBoard() {
  useEffect(() => onTold(() => takeMessages().forEach(show)), []);
  return <SnackbarProvider maxSnack={3} anchorOrigin={{ vertical: "bottom", horizontal: "center" }} />;
}
