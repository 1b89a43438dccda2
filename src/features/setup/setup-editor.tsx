"use client";

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import MuiTab from "@mui/material/Tab";
import Tabs from "@mui/material/Tabs";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useSnackbar } from "notistack";
import { useMemo, useState } from "react";
import { v7 as newId } from "uuid";
import { airOfDay, type Settings, firstSettings } from "@/core";
import type { Aircraft } from "@/contract";
import { send } from "@/ui/actions/send";
import { useKeys } from "@/ui/keys/keys";
import { Moment } from "@/ui/moment/moment";
import { ChangeLine } from "./change-line";
import { SetupFiles } from "./setup-files";
import { airInWords } from "@/ui/air/air-line";
import { AirProvider } from "@/ui/air/use-air";
import { BadFieldsProvider, useBadFields } from "@/ui/forms/bad-fields";
import { usePreferences } from "@/ui/theme/preferences";
import { differencesInWords } from "@/ui/settings/differences";
import { useSetupDraft } from "./draft";
import type { SetupData } from "./load";
import { FleetPanel } from "./fleet-panel";
import { LoadsPanel } from "./loads-panel";
import { MeasurePanel } from "./measure-panel";
import { MixPanel } from "./mix-panel";
import { RatesPanel, type Ghost } from "./rates-panel";
import { StagePanel } from "./stage-panel";
import { ThrottlePanel } from "./throttle-panel";
import { TiltPanel } from "./tilt-panel";

const tabs = [
  { id: "rates", name: "Rates" },
  { id: "throttle", name: "Throttle" },
  { id: "tilt", name: "Tilt" },
  { id: "mix", name: "Mix" },
  { id: "loads", name: "Loads" },
  { id: "fleet", name: "Fleet" },
  { id: "stage", name: "By stage" },
  { id: "measure", name: "Measured" },
] as const;
/** Parts whose figures depend on the air. */
const inAir: readonly string[] = ["throttle", "tilt", "loads", "fleet", "stage"];
export type Tab = (typeof tabs)[number]["id"];

interface SetupEditorProps {
  readonly data: SetupData;
  readonly aircraft: Aircraft;
  readonly tab: Tab;
  readonly onTab: (tab: Tab) => void;
}

/** Edits the newest setup of an aircraft and saves the result as the next version. */
export function SetupEditor(props: SetupEditorProps) {
  const { day } = props.data;
  const air = useMemo(() => airOfDay(day.air), [day]);
  return (
    <BadFieldsProvider>
      <AirProvider air={air}>
        <Editor {...props} />
      </AirProvider>
    </BadFieldsProvider>
  );
}

function Editor({ data, aircraft, tab, onTab: setTab }: SetupEditorProps) {
  const { any: anyBad } = useBadFields();
  const { units } = usePreferences();
  const latest = data.setups[0];
  const saved = latest?.settings ?? data.elsewhere[0]?.setup.settings ?? firstSettings;
  const { draft, restored, change, drop, undo, redo } = useSetupDraft(aircraft.id, saved);
  const keys = useMemo(
    () => [
      ...tabs.map(({ id, name }, i) => ({ key: String(i + 1), label: `Part: ${name}`, run: () => setTab(id) })),
      { key: "u", label: "Undo the last change", run: () => undo?.() },
      { key: "r", label: "Redo it", run: () => redo?.() },
    ],
    [setTab, undo, redo],
  );
  useKeys(keys);
  const ghosts = useMemo<Ghost[]>(
    () => [
      ...data.setups.map(({ id, number, settings }) => ({ id, name: `setup ${number}`, rates: settings.rates })),
      ...data.elsewhere.map(({ aircraft: other, setup }) => ({
        id: setup.id,
        name: `${other.name}, setup ${setup.number}`,
        rates: setup.settings.rates,
      })),
    ],
    [data],
  );
  const [failure, setFailure] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const [thawed, setThawed] = useState(false);
  const frozen = data.pilot.settingsFrozen && latest !== undefined && !thawed;
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
    const result = await send("save-setup", {
      id: sendId,
      aircraftId: aircraft.id,
      basedOn: latest?.number ?? 0,
      reason: draft.reason,
      settings,
      ...(data.pilot.settingsFrozen && thawed && { evenFrozen: true }),
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
      {frozen && (
        <Alert
          severity="warning"
          sx={{ mb: 2 }}
          action={<Button onClick={() => setThawed(true)}>Change them all the same</Button>}
        >
          The settings of {data.pilot.name} are frozen: hands learn best on what does not change. Change them for a
          reason, not for a bad day.
        </Alert>
      )}
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
        <Box sx={{ display: "grid", gap: 3, minWidth: 0, alignContent: "start" }}>
          <Tabs
            value={tab}
            onChange={(_, next: Tab) => setTab(next)}
            variant="scrollable"
            aria-label="Parts of the setup"
            sx={(theme) => ({ borderBottom: `1.5px solid ${theme.tokens.ink}`, minHeight: 40, displayPrint: "none" })}
          >
            {tabs.map(({ id, name }) => (
              <MuiTab key={id} value={id} label={name} id={`tab-${id}`} aria-controls={`part-${id}`} />
            ))}
          </Tabs>
          {inAir.includes(tab) && (
            <Typography sx={{ fontSize: "0.88rem", color: "text.secondary", mt: -1.5 }}>
              Hover, cruise and climb as in the air of the day: {airInWords(data.day, units)}.
            </Typography>
          )}
          <Box role="tabpanel" id={`part-${tab}`} aria-labelledby={`tab-${tab}`}>
            {tab === "rates" && (
              <RatesPanel
                rates={settings.rates}
                ghosts={ghosts}
                tiltDeg={settings.tiltDeg}
                grip={data.pilot.grip}
                onChange={(rates) => set({ rates })}
              />
            )}
            {tab === "throttle" && (
              <ThrottlePanel
                profile={settings.throttle}
                airframe={aircraft.airframe}
                tiltDeg={settings.tiltDeg}
                grip={data.pilot.grip}
                onChange={(throttle) => set({ throttle })}
              />
            )}
            {tab === "tilt" && (
              <TiltPanel settings={settings} airframe={aircraft.airframe} stage={data.stage} onChange={set} />
            )}
            {tab === "mix" && <MixPanel settings={settings} stickMode={data.pilot.stickMode} />}
            {tab === "loads" && (
              <LoadsPanel
                aircraft={aircraft}
                loads={data.loads}
                settings={settings}
                grip={data.pilot.grip}
                mayChange={data.mayChange}
              />
            )}
            {tab === "fleet" && (
              <FleetPanel
                pilot={data.pilot}
                aircraft={aircraft}
                settings={settings}
                elsewhere={data.elsewhere}
                mayChange={data.mayChange}
              />
            )}
            {tab === "measure" && (
              <MeasurePanel key={aircraft.version} aircraft={aircraft} settings={settings} mayChange={data.mayChange} />
            )}
            {tab === "stage" && (
              <StagePanel
                settings={settings}
                airframe={aircraft.airframe}
                stage={data.stage}
                grip={data.pilot.grip}
                school={data.school}
                onChange={set}
              />
            )}
          </Box>
        </Box>
        <Box sx={{ display: "grid", displayPrint: "none", gap: 2, alignContent: "start" }}>
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
              <Button variant="contained" onClick={save} disabled={saving || anyBad || frozen}>
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
          {(undo || redo) && (
            <Box sx={{ display: "flex", gap: 1 }}>
              <Button size="small" disabled={!undo} onClick={() => undo?.()}>
                Undo
              </Button>
              <Button size="small" disabled={!redo} onClick={() => redo?.()}>
                Redo
              </Button>
            </Box>
          )}
          <SetupFiles
            aircraft={aircraft}
            hasSetup={latest !== undefined}
            settings={settings}
            reason={draft.reason || (latest?.reason ?? "")}
            onRead={(read, name) => change({ settings: read, reason: `From the file ${name}` })}
          />
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
              {data.changes[setup.id] && <ChangeLine change={data.changes[setup.id]} />}
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
