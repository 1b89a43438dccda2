"use client";

import ButtonBase from "@mui/material/ButtonBase";
import Checkbox from "@mui/material/Checkbox";
import { useState, type ReactNode } from "react";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import type { CandidateEntry } from "./load";
import { MOST_PACKS, type Choice } from "./use-plan";

/** A pilot who may fly: whether, with what, on how many packs; what they fly stands below. */
export function CandidateRow({
  one,
  choice,
  packsWrong,
  summary,
  onChange,
  children,
}: {
  one: CandidateEntry;
  choice: Choice;
  packsWrong: boolean;
  /** What they fly in a line, for a screen with no room for more. */
  summary: string;
  onChange: (part: Partial<Choice>) => void;
  children: ReactNode;
}) {
  // On a phone a line each is enough, until one is looked at.
  const [open, setOpen] = useState(false);
  const detail = { display: { xs: open ? undefined : "none", md: "flex" }, gridColumn: { xs: "2", md: "auto" } };
  return (
    <Box
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: { xs: "44px 1fr", md: "44px minmax(120px,1.4fr) minmax(180px,1.4fr) 90px" },
        columnGap: 1.5,
        rowGap: 0.5,
        alignItems: "center",
        py: 0.5,
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
      {choice.taken && (
        <ButtonBase
          onClick={() => setOpen(!open)}
          aria-expanded={open}
          sx={{
            display: { xs: "flex", md: "none" },
            gridColumn: "2",
            justifyContent: "space-between",
            gap: 1,
            minHeight: 44,
            textAlign: "left",
            fontSize: "0.9rem",
          }}
        >
          {summary}
          <span aria-hidden>{open ? "▴" : "▾"}</span>
        </ButtonBase>
      )}
      {!choice.taken ? (
        <span />
      ) : one.setups.length > 0 ? (
        <SelectField
          size="small"
          label="With"
          value={choice.setupId}
          onChange={(event) => onChange({ setupId: event.target.value })}
          sx={detail}
        >
          {one.setups.map((setup) => (
            <Option key={setup.id} value={setup.id}>
              {setup.name}
            </Option>
          ))}
        </SelectField>
      ) : (
        <Box component="span" sx={{ ...detail, color: "text.secondary", fontSize: "0.9rem" }}>
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
          sx={detail}
        />
      )}
      <Box sx={{ display: { xs: open || !choice.taken ? "contents" : "none", md: "contents" } }}>{children}</Box>
    </Box>
  );
}
