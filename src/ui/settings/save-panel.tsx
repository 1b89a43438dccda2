"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import type { Setup } from "@/contract";
import { send } from "../actions/send";
import { useBadFields } from "../forms/bad-fields";
import { TextField } from "../forms/text-field";
import { Box } from "../layout/box";
import { tell } from "../messages/messages";
import type { useSetupDraft } from "./use-setup-draft";

interface SavePanelProps {
  readonly aircraftId: string;
  readonly latest: Setup | undefined;
  readonly draft: ReturnType<typeof useSetupDraft>;
  /** What is different from what is saved, a line each. */
  readonly differences: readonly string[];
  readonly mayChange: boolean;
  /** The settings are frozen, and whether they are to change all the same. */
  readonly frozen: { readonly yes: boolean; readonly thawed: boolean };
  readonly onBack: () => void;
}

/** What was changed and not saved, why, and the way to save it; for a pilot only what was changed. */
export function SavePanel({ aircraftId, latest, draft, differences, mayChange, frozen, onBack }: SavePanelProps) {
  const { any: anyBad } = useBadFields();
  const router = useRouter();
  const [failure, setFailure] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const [sendId] = useState(() => newId());
  const { settings, reason } = draft.draft;
  const save = async () => {
    setSaving(true);
    setFailure(null);
    const result = await send("save-setup", {
      id: sendId,
      aircraftId,
      basedOn: latest?.number ?? 0,
      reason,
      settings,
      ...(frozen.yes && frozen.thawed && { evenFrozen: true }),
    });
    setSaving(false);
    if (!result.ok) {
      setFailure(result.message);
      if (result.status === 409) router.refresh();
      return;
    }
    draft.drop(settings);
    tell(`Saved as setup ${result.data.number}`, { kind: "done" });
    router.refresh();
  };
  const lines = differences.map((line) => (
    <Box key={line} sx={(theme) => ({ fontSize: "0.88rem", pl: 1, borderLeft: `4px solid ${theme.tokens.ochre}` })}>
      {line}
    </Box>
  ));
  const back = latest && <Button onClick={onBack}>Back to setup {latest.number}</Button>;
  if (!mayChange)
    return (
      <>
        <Typography color="text.secondary">
          Move any control and see what it does. Your coach saves setups; tell them what you would change.
        </Typography>
        {lines}
        {differences.length > 0 && back}
      </>
    );
  if (latest && differences.length === 0)
    return (
      <Typography color="text.secondary">Move any control. Saving makes a new version and keeps this one.</Typography>
    );
  return (
    <>
      {lines}
      <TextField
        label="Why it changes"
        value={reason}
        onChange={(event) => draft.change({ settings, reason: event.target.value })}
        multiline
        minRows={2}
        size="small"
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
      {failure && <Alert severity="error">{failure}</Alert>}
      <Button
        variant="contained"
        onClick={save}
        disabled={saving || anyBad || (frozen.yes && latest !== undefined && !frozen.thawed)}
      >
        {anyBad ? "Fix the highlighted number first" : saving ? "Saving" : `Save as setup ${(latest?.number ?? 0) + 1}`}
      </Button>
      {back}
    </>
  );
}
