"use client";

import Drawer from "@mui/material/Drawer";
import type { ReactNode } from "react";
import { Box } from "../layout/box";

/** The order of work where a screen is too narrow to have it at its side. Closes when a way is taken. */
export function MenuDrawer({ onClose, children }: { onClose: () => void; children: ReactNode }) {
  return (
    <Drawer open onClose={onClose} sx={{ display: { md: "none" } }}>
      <Box
        sx={{ width: 220, height: "100%" }}
        onClick={(event) => (event.target as HTMLElement).closest("a") && onClose()}
      >
        {children}
      </Box>
    </Drawer>
  );
}
