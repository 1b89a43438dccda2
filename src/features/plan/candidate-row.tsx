"use client";

import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { ReactNode } from "react";
import type { Candidate } from "./load";
import { MOST_PACKS, type Choice } from "./use-plan";

/** A pilot who may fly: whether, with what, on how many packs; what they fly stands below. */
export function CandidateRow({
  one,
  choice,
  packsWrong,
  onChange,
  children,
}: {
  one: Candidate;
  choice: Choice;
  packsWrong: boolean;
  onChange: (part: Partial<Choice>) => void;
  children: ReactNode;
}) {
  return (
    <Box
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: { xs: "44px 1fr", md: "44px minmax(120px,1.4fr) minmax(180px,1.4fr) 90px" },
        columnGap: 1.5,
        rowGap: 0.5,
        alignItems: "center",
        py: 0.6,
        borderTop: `1.5px solid ${theme.tokens.rule}`,
      })}
    >
      <Checkbox
        checked={choice.taken}
        onChange={(_, taken) => onChange({ taken })}
        slotProps={{ input: { "aria-label": `${one.name} flies` } }}
      />
      <span>
        <b>{one.name}</b>
        {one.squadName && (
          <Box component="span" sx={{ display: "block", fontSize: "0.82rem", color: "text.secondary" }}>
            {one.squadName}
          </Box>
        )}
      </span>
      {!choice.taken ? (
        <span />
      ) : one.setups.length > 0 ? (
        <TextField
          select
          size="small"
          label="With"
          value={choice.setupId}
          onChange={(event) => onChange({ setupId: event.target.value })}
          sx={{ gridColumn: { xs: "2", md: "auto" } }}
        >
          {one.setups.map((setup) => (
            <MenuItem key={setup.id} value={setup.id}>
              {setup.name}
            </MenuItem>
          ))}
        </TextField>
      ) : (
        <Box component="span" sx={{ color: "text.secondary", fontSize: "0.9rem", gridColumn: { xs: "2", md: "auto" } }}>
          no setup yet: attempts count, without one
        </Box>
      )}
      {choice.taken && (
        <TextField
          size="small"
          label="Packs"
          value={choice.packs}
          error={packsWrong}
          helperText={packsWrong ? `0 to ${MOST_PACKS}` : undefined}
          onChange={(event) => onChange({ packs: event.target.value })}
          slotProps={{ htmlInput: { inputMode: "numeric", maxLength: 3, "aria-label": `Packs of ${one.name}` } }}
          sx={{ gridColumn: { xs: "2", md: "auto" } }}
        />
      )}
      {children}
    </Box>
  );
}
