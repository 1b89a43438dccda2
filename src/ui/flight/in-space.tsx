"use client";

import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import Typography from "@mui/material/Typography";
import dynamic from "next/dynamic";
import { useState } from "react";
import { Box } from "../layout/box";
import { WhenSeen } from "../layout/when-seen";
import type { SceneProps } from "./scene";

const Scene = dynamic(() => import("./scene"), { ssr: false });

/** A path in space, to be turned about by hand or turning by itself. */
export function InSpace({ height, ...scene }: Omit<SceneProps, "turning"> & { height: number }) {
  const [turning, setTurning] = useState(false);
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "center", justifyContent: "space-between" }}>
        <Typography variant="h2">In space</Typography>
        <FormControlLabel
          control={<Switch size="small" checked={turning} onChange={(_, on) => setTurning(on)} />}
          label="turn it"
        />
      </Box>
      <Box
        sx={(theme) => ({ height, border: `1.5px solid ${theme.tokens.ink}` })}
        role="img"
        aria-label="The path in space; drag to turn it"
      >
        <WhenSeen minHeight={height - 3}>
          <Scene {...scene} turning={turning} />
        </WhenSeen>
      </Box>
    </>
  );
}
