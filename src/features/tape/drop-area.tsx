"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useRef, useState, type DragEvent, type ReactNode } from "react";

interface DropAreaProps {
  readonly onFile: (file: File) => void;
  readonly children: (choose: (variant: "contained" | "outlined") => ReactNode) => ReactNode;
}

/** Takes a file by drop, or by the button that it hands on. */
export function DropArea({ onFile, children }: DropAreaProps) {
  const input = useRef<HTMLInputElement>(null);
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
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv"
        aria-label="File with a recording"
        tabIndex={-1}
        style={{ position: "absolute", width: 1, height: 1, overflow: "hidden", clipPath: "inset(50%)" }}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onFile(file);
          event.target.value = "";
        }}
      />
      {children((variant) => (
        <Button variant={variant} onClick={() => input.current?.click()}>
          Open a recording
        </Button>
      ))}
    </Box>
  );
}
