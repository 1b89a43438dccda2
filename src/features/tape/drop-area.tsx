"use client";

import Button from "@mui/material/Button";
import { useState, type DragEvent, type ReactNode } from "react";
import { useFilePicker } from "@/ui/forms/use-file-picker";
import { Box } from "@/ui/layout/box";

interface DropAreaProps {
  readonly onFile: (file: File) => void;
  readonly children: (choose: (variant: "contained" | "outlined") => ReactNode) => ReactNode;
}

/** Takes a file by drop, or by the button that it hands on. */
export function DropArea({ onFile, children }: DropAreaProps) {
  const { input, pick } = useFilePicker({ label: "File with a recording", accept: ".csv,text/csv", onFile });
  const [over, setOver] = useState(false);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const [file] = event.dataTransfer.files;
    if (file) onFile(file);
  };
  return (
    <Box
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
      sx={(theme) => ({
        minHeight: "70vh",
        outline: over ? `3px dashed ${theme.tokens.shoal}` : "none",
        outlineOffset: 6,
      })}
    >
      {input}
      {children((variant) => (
        <Button variant={variant} onClick={pick}>
          Open a recording
        </Button>
      ))}
    </Box>
  );
}
