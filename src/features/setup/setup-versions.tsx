"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Setup } from "@/contract";
import { Box } from "@/ui/layout/box";
import { Moment } from "@/ui/moment/moment";
import { differencesInWords } from "@/ui/settings/differences";
import { ChangeLine } from "./change-line";
import type { SetupData } from "./load";

/** The versions of a setup, the newest first, each with what it changed and what that did. */
export function SetupVersions({ data, onStartFrom }: { data: SetupData; onStartFrom: (setup: Setup) => void }) {
  return (
    <>
      <Typography variant="h2" sx={{ mt: 1 }}>
        Versions
      </Typography>
      {data.setups.length === 0 && <Typography color="text.secondary">None saved yet.</Typography>}
      {data.setups.map((setup, i) => (
        <Box
          key={setup.id}
          sx={(theme) => ({ borderTop: `1.5px solid ${theme.tokens.rule}`, pt: 1, fontSize: "0.88rem" })}
        >
          <Box sx={{ display: "flex", gap: 1, alignItems: "baseline" }}>
            <b className="num">{setup.number}</b>
            <Moment atMs={setup.createdAtMs} />
          </Box>
          <Box sx={{ overflowWrap: "anywhere" }}>
            {setup.reason}{" "}
            <Box component="span" sx={{ color: "text.secondary" }}>
              ({setup.coachName})
            </Box>
          </Box>
          {data.changes[setup.id] && <ChangeLine change={data.changes[setup.id]} />}
          {data.setups[i + 1] && (
            <Box sx={{ color: "text.secondary" }}>
              {differencesInWords(data.setups[i + 1].settings, setup.settings).join(" · ") || "no change"}
            </Box>
          )}
          {i > 0 && (
            <Button size="small" sx={{ ml: -0.5, minHeight: 32, py: 0 }} onClick={() => onStartFrom(setup)}>
              Copy into a new version
            </Button>
          )}
        </Box>
      ))}
    </>
  );
}
