"use client";

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useSnackbar } from "notistack";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { type Settings, firstSettings } from "@/core";
import type { Aircraft } from "@/server/repositories";
import { send } from "@/ui/actions/send";
import { Moment } from "@/ui/moment/moment";
import { BadFieldsProvider, useBadFields } from "./bad-fields";
import { differencesInWords } from "./differences";
import { useDraft } from "./draft";
import type { SetupData } from "./load";
import { RatesPanel } from "./rates-panel";
import { ThrottlePanel } from "./throttle-panel";
import { TiltPanel } from "./tilt-panel";

/** Edits the newest setup of an aircraft and saves the result as the next version. */
export function SetupEditor(props: { data: SetupData; aircraft: Aircraft }) {
  return (
    <BadFieldsProvider>
      <Editor {...props} />
    </BadFieldsProvider>
  );
}

function Editor({ data, aircraft }: { data: SetupData; aircraft: Aircraft }) {
  const { any: anyBad } = useBadFields();
  const latest = data.setups[0];
  const saved = latest?.settings ?? data.elsewhere[0]?.setup.settings ?? firstSettings;
  const { draft, restored, change, drop } = useDraft(aircraft.id, saved);
  const [failure, setFailure] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const [sendId] = useState(() => newId());
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const { settings } = draft;
  const set = (next: Partial<Settings>) => change({ ...draft, settings: { ...settings, ...next } });
  const differences = differencesInWords(saved, settings);
  const changed = differences.length > 0 || !latest;

  const save = async () => {
    setSaving(true);
    setFailure(null);
    const result = await send<{ number: number }>("save-setup", {
      id: sendId,
      aircraftId: aircraft.id,
      basedOn: latest?.number ?? 0,
      reason: draft.reason,
      settings,
    });
    setSaving(false);
    if (!result.ok) {
      setFailure(result.message);
      if (result.status === 409) router.refresh();
      return;
    }
    drop(settings);
    enqueueSnackbar(`Saved as setup ${result.data.number}`, { variant: "success" });
    router.refresh();
  };

  return (
    <>
      {restored && (
        <Alert severity="info" sx={{ mb: 2 }} action={<Button onClick={() => drop(saved)}>Drop them</Button>}>
          Changes from before that were never saved are back.
        </Alert>
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) 262px" },
          columnGap: 4,
          rowGap: 3,
        }}
      >
        <Box sx={{ display: "grid", gap: 3, minWidth: 0 }}>
          <RatesPanel
            rates={settings.rates}
            saved={latest?.settings.rates ?? null}
            onChange={(rates) => set({ rates })}
          />
          <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0,1fr)", md: "1fr 1fr" }, gap: 4 }}>
            <ThrottlePanel
              profile={settings.throttle}
              airframe={aircraft.airframe}
              onChange={(throttle) => set({ throttle })}
            />
            <TiltPanel settings={settings} airframe={aircraft.airframe} onChange={set} />
          </Box>
        </Box>
        <Box sx={{ display: "grid", gap: 2, alignContent: "start" }}>
          <Typography variant="h2">
            {!data.mayChange ? "Try it out" : latest ? `Change setup ${latest.number}` : "First setup"}
          </Typography>
          {!data.mayChange ? (
            <>
              <Typography color="text.secondary">
                Move anything and see what it does. Your coach saves setups; tell them what you would change.
              </Typography>
              {differences.map((line) => (
                <Box
                  key={line}
                  sx={(theme) => ({ fontSize: "0.88rem", pl: 1, borderLeft: `4px solid ${theme.tokens.ochre}` })}
                >
                  {line}
                </Box>
              ))}
              {latest && differences.length > 0 && (
                <Button onClick={() => drop(saved)}>Back to setup {latest.number}</Button>
              )}
            </>
          ) : changed ? (
            <>
              {differences.map((line) => (
                <Box
                  key={line}
                  sx={(theme) => ({ fontSize: "0.88rem", pl: 1, borderLeft: `4px solid ${theme.tokens.ochre}` })}
                >
                  {line}
                </Box>
              ))}
              <TextField
                label="Why it changes"
                value={draft.reason}
                onChange={(event) => change({ ...draft, reason: event.target.value })}
                multiline
                minRows={2}
                size="small"
                slotProps={{ htmlInput: { maxLength: 300 } }}
              />
              {failure && <Alert severity="error">{failure}</Alert>}
              <Button variant="contained" onClick={save} disabled={saving || anyBad}>
                {anyBad
                  ? "Mend the marked number first"
                  : saving
                    ? "Saving"
                    : `Save as setup ${(latest?.number ?? 0) + 1}`}
              </Button>
              {latest && <Button onClick={() => drop(saved)}>Back to setup {latest.number}</Button>}
            </>
          ) : (
            <Typography color="text.secondary">
              Move anything; saving makes a new version and keeps this one.
            </Typography>
          )}
          <Typography variant="h2" sx={{ mt: 1 }}>
            Versions
          </Typography>
          {data.setups.length === 0 && <Typography color="text.secondary">None saved yet.</Typography>}
          {data.setups.map((setup, i) => (
            <Box
              key={setup.id}
              sx={(theme) => ({ borderTop: `1.5px solid ${theme.tokens.rule}`, pt: 0.8, fontSize: "0.88rem" })}
            >
              <Box sx={{ display: "flex", gap: 1, alignItems: "baseline" }}>
                <b className="num">{setup.number}</b>
                <Moment atMs={setup.createdAtMs} />
                <Box sx={{ flex: 1 }} />
                {i > 0 && (
                  <Button
                    size="small"
                    sx={{ minHeight: 24, py: 0 }}
                    onClick={() => change({ settings: setup.settings, reason: `Back to setup ${setup.number}` })}
                  >
                    Start from it
                  </Button>
                )}
              </Box>
              <Box sx={{ overflowWrap: "anywhere" }}>
                {setup.reason}{" "}
                <Box component="span" sx={{ color: "text.secondary" }}>
                  ({setup.coachName})
                </Box>
              </Box>
              {data.setups[i + 1] && (
                <Box sx={{ color: "text.secondary" }}>
                  {differencesInWords(data.setups[i + 1].settings, setup.settings).join(" · ") || "no change"}
                </Box>
              )}
            </Box>
          ))}
        </Box>
      </Box>
    </>
  );
}
