"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { v7 as newId } from "uuid";
import { MOST_PARTS, type LineCopy, type LinePart } from "@/contract";
import { PickOne } from "@/ui/forms/pick-one";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { Fold } from "@/ui/layout/fold";
import { counted } from "@/words";
import type { LineDraft } from "./edits";

const USUAL: LineCopy = { from: "", parts: [], lookAfter: 5 };

/** What the line is a copy of: whose, what there is to hold in it, and how often the original is looked at again. */
export function CopyPanel({
  draft,
  onChange,
}: {
  draft: LineDraft;
  onChange: (draft: LineDraft, gesture?: string) => void;
}) {
  const copy = draft.copy ?? null;
  const { from, parts, lookAfter } = copy ?? USUAL;
  const change = (part: Partial<LineCopy>, gesture?: string) =>
    onChange({ ...draft, copy: { from, parts, lookAfter, ...part } }, gesture);
  const withPart = (at: number, part: LinePart) => parts.map((one, i) => (i === at ? part : one));
  const moved = (at: number, to: number) => {
    const others = parts.filter((_, i) => i !== at);
    return [...others.slice(0, to), parts[at], ...others.slice(to)];
  };
  return (
    <Fold title="Copied from someone" beside={copy ? counted(parts.length, "part") : "no"} level={3}>
      <Box sx={{ display: "grid", gap: 1.5, pt: 1 }}>
        <TextField
          size="small"
          label="Whose line, and where it was seen"
          value={from}
          onChange={({ target }) => change({ from: target.value }, "copy from")}
          slotProps={{ htmlInput: { maxLength: 200 } }}
        />
        <Typography sx={{ fontSize: "0.88rem", color: "text.secondary" }}>
          Name what makes it that line, in the order it is flown. In the field you tick at each try what was held.
        </Typography>
        {parts.map((part, i) => (
          <Box key={part.id} sx={{ display: "flex", gap: 0.5, alignItems: "center" }}>
            <TextField
              size="small"
              sx={{ flex: 1 }}
              label={`Part ${i + 1}`}
              value={part.name}
              error={part.name.trim() === ""}
              onChange={({ target }) =>
                change({ parts: withPart(i, { ...part, name: target.value }) }, `part ${part.id}`)
              }
              slotProps={{ htmlInput: { maxLength: 80 } }}
            />
            <Button
              size="small"
              aria-label={`Part ${i + 1} earlier`}
              disabled={i === 0}
              onClick={() => change({ parts: moved(i, i - 1) })}
              sx={{ minWidth: 36 }}
            >
              ↑
            </Button>
            <Button
              size="small"
              aria-label={`Take part ${i + 1} out`}
              onClick={() => change({ parts: parts.filter((one) => one.id !== part.id) })}
              sx={{ minWidth: 36 }}
            >
              ✕
            </Button>
          </Box>
        ))}
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
          <Button
            size="small"
            variant="outlined"
            disabled={parts.length >= MOST_PARTS}
            onClick={() => change({ parts: [...parts, { id: newId(), name: "" }] })}
          >
            Add a part
          </Button>
          {copy && (
            <Button size="small" onClick={() => onChange({ ...draft, copy: null })}>
              It is no copy
            </Button>
          )}
        </Box>
        {copy && (
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center", fontSize: "0.92rem" }}>
            Look at the original again after
            <PickOne
              label="Tries before it is looked at again"
              value={lookAfter}
              options={[...new Set([3, 5, 8, 12, lookAfter])].sort((a, b) => a - b).map((n) => [n, String(n)])}
              onPick={(n) => change({ lookAfter: n })}
            />
            tries
          </Box>
        )}
      </Box>
    </Fold>
  );
}
