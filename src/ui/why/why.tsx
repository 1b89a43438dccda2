"use client";

import CloseIcon from "@mui/icons-material/Close";
import IconButton from "@mui/material/IconButton";
import Typography from "@mui/material/Typography";
import { createContext, useContext, useMemo, useState, type ReactNode } from "react";
import { Box } from "../layout/box";
import { Drawer } from "../layout/opened";

/** Where a figure comes from. */
export interface Why {
  /** The formula or the counting rule in words. */
  readonly how: string;
  readonly inputs: readonly (readonly [name: string, value: string])[];
  readonly source: string;
  /** In one line: what of the real thing is not in it. */
  readonly leftOut: string;
}

/** What no figure of the flight model counts. */
export const MODEL_LEAVES_OUT =
  "Ground effect, a frame that bends, propellers that are bent or worn, gusts, and the delay of the video.";

interface ShownWhy extends Why {
  readonly title: string;
  readonly result: string;
}

const Context = createContext<{ openWhy: (why: ShownWhy) => void } | null>(null);

export function useWhy() {
  const context = useContext(Context);
  if (!context) throw new Error("useWhy needs WhyProvider around it");
  return context;
}

/** The drawer "why this number" at the right edge. */
export function WhyProvider({ children }: { children: ReactNode }) {
  const [shown, setShown] = useState<ShownWhy | null>(null);
  const [open, setOpen] = useState(false);
  const value = useMemo(
    () => ({
      openWhy: (why: ShownWhy) => {
        setShown(why);
        setOpen(true);
      },
    }),
    [],
  );
  return (
    <Context value={value}>
      {children}
      <Drawer
        anchor="right"
        open={open}
        onClose={() => setOpen(false)}
        slotProps={{ paper: { "aria-label": "Why this number", role: "dialog" } }}
      >
        <Box sx={{ width: { xs: "86vw", sm: 380 }, p: 2.5 }}>
          <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "start" }}>
            <Typography variant="h2" component="h2">
              Why this number
            </Typography>
            <IconButton aria-label="Close" onClick={() => setOpen(false)} sx={{ mt: -1 }}>
              <CloseIcon />
            </IconButton>
          </Box>
          {shown && (
            <>
              <Typography sx={{ mt: 2, color: "text.secondary" }}>{shown.title}</Typography>
              <Box className="num" sx={{ fontSize: "2rem", lineHeight: 1.2 }}>
                {shown.result}
              </Box>
              <Typography sx={{ mt: 2 }}>{shown.how}</Typography>
              <Typography variant="h3" component="h3" sx={{ mt: 3, mb: 0.5 }}>
                From
              </Typography>
              <Box component="dl" sx={{ m: 0 }}>
                {shown.inputs.map(([name, given]) => (
                  <Box
                    key={name}
                    sx={(theme) => ({
                      display: "flex",
                      justifyContent: "space-between",
                      gap: 2,
                      py: 0.5,
                      borderBottom: `1px solid ${theme.tokens.rule}`,
                    })}
                  >
                    <Box component="dt">{name}</Box>
                    <Box component="dd" className="num" sx={{ m: 0, textAlign: "right" }}>
                      {given}
                    </Box>
                  </Box>
                ))}
              </Box>
              <Typography variant="h3" component="h3" sx={{ mt: 3, mb: 0.5 }}>
                Source
              </Typography>
              <Typography color="text.secondary">{shown.source}</Typography>
              <Typography variant="h3" component="h3" sx={{ mt: 3, mb: 0.5 }}>
                Left out
              </Typography>
              <Typography color="text.secondary">{shown.leftOut}</Typography>
            </>
          )}
        </Box>
      </Drawer>
    </Context>
  );
}
