"use client";

import type { ReactNode } from "react";
import { Box } from "./box";

/** Buttons that belong together, all as wide as each other. */
export function ButtonGrid({ columnPx = 120, children }: { columnPx?: number; children: ReactNode }) {
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: `repeat(auto-fill, minmax(${columnPx}px, 1fr))`,
        gap: 1,
        "& .MuiButton-root": { whiteSpace: "nowrap" },
      }}
    >
      {children}
    </Box>
  );
}
