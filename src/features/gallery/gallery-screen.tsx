"use client";

import Typography from "@mui/material/Typography";
import { useMemo } from "react";
import { airframePresets, CALM_AIR, firstSettings, flyAsSet, recipes } from "@/core";
import { PickOne } from "@/ui/forms/pick-one";
import { KeysProvider } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { themeNames } from "@/ui/theme/tokens";
import { unitSystems } from "@/words";
import { WhyProvider } from "@/ui/why/why";
import { exhibitsFor } from "./exhibits";

/** Every shared part of the interface in its states, to be looked at in each theme and both unit systems. */
export function GalleryScreen() {
  const { theme, units, setPreference } = usePreferences();
  const exhibits = useMemo(
    () =>
      exhibitsFor(
        flyAsSet({
          recipe: recipes["flip-one-move-back"],
          values: null,
          entryHeightM: 12,
          airframe: airframePresets["five-inch-freestyle"].airframe,
          settings: firstSettings,
          environment: CALM_AIR,
        }),
      ),
    [],
  );
  return (
    <KeysProvider>
      <WhyProvider>
        <Box component="main" sx={{ maxWidth: 1180, mx: "auto", p: 3 }}>
          <Typography variant="h1">Gallery</Typography>
          <Box sx={{ display: "flex", gap: 2, my: 2 }}>
            <PickOne
              label="Theme"
              value={theme}
              options={themeNames.map((name) => [name, name])}
              onPick={(next) => setPreference({ theme: next })}
            />
            <PickOne
              label="Units"
              value={units}
              options={unitSystems.map((name) => [name, name])}
              onPick={(next) => setPreference({ units: next })}
            />
          </Box>
          {exhibits.map(({ name, states }) => (
            <Box
              component="section"
              key={name}
              aria-label={name}
              sx={(theme) => ({ py: 2, borderTop: `1.5px solid ${theme.tokens.rule}` })}
            >
              <Typography variant="h2">{name}</Typography>
              <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 4, rowGap: 2, mt: 1 }}>
                {states.map(([state, shown]) => (
                  <Box key={state} sx={{ minWidth: 120, maxWidth: "100%", flex: "0 1 auto" }}>
                    <Box sx={{ fontSize: "0.8rem", color: "text.secondary" }}>{state}</Box>
                    <Box sx={{ width: wide.has(name) ? 420 : "auto", maxWidth: "100%" }}>{shown}</Box>
                  </Box>
                ))}
              </Box>
            </Box>
          ))}
        </Box>
      </WhyProvider>
    </KeysProvider>
  );
}

/** Parts that take the width they are given. */
const wide = new Set(["Evidence line", "Number slider", "Sticks", "Path", "Camera", "Chart", "Scatter", "Plain table"]);
