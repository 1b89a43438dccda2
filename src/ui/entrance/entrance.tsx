"use client";

import Typography from "@mui/material/Typography";
import { useTheme } from "@mui/material/styles";
import type { ReactNode } from "react";
import { Box } from "../layout/box";

/** The frame of the pages outside: what this is, and the depths below. */
export function Entrance({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <Box sx={{ minHeight: "100dvh", display: "flex", flexDirection: "column" }}>
      <Box
        component="main"
        sx={{ flex: 1, width: "100%", maxWidth: 640, mx: "auto", px: 3, pt: { xs: 4, md: 9 }, pb: 4 }}
      >
        <Typography component="p" sx={{ fontSize: "1.1rem", fontWeight: 750, fontStretch: "118%" }}>
          Bathygon
        </Typography>
        <Typography sx={{ color: "text.secondary", mb: 3 }}>
          how deep a pilot has sounded, and what comes next
        </Typography>
        <Typography variant="h1">{title}</Typography>
        {children}
      </Box>
      <Soundings />
    </Box>
  );
}

/** The depths as contours, for the eye only. */
function Soundings() {
  const { tokens } = useTheme();
  const wave = (band: number) =>
    Array.from(
      { length: 13 },
      (_, i) => `${i * 100} ${20 + band * 34 + 9 * Math.sin(i * 1.3 + band * 2.1) + 5 * Math.cos(i * 2.9 - band)}`,
    ).join("L");
  return (
    <svg
      viewBox="0 0 1200 300"
      preserveAspectRatio="none"
      width="100%"
      height="34vh"
      aria-hidden
      focusable="false"
      style={{ display: "block" }}
    >
      {tokens.depths.map((colour, band) => (
        <path key={band} d={`M${wave(band)}L1200 300L0 300Z`} fill={colour} stroke={tokens.ink} strokeOpacity="0.18" />
      ))}
    </svg>
  );
}
