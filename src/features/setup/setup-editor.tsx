"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import MuiTab from "@mui/material/Tab";
import Tabs from "@mui/material/Tabs";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import type { Aircraft } from "@/contract";
import { airOfDay, firstSettings, type Settings } from "@/core";
import { settingsSchoolOf, settingsToBegin } from "@/syllabus";
import { airInWords } from "@/ui/air/air-line";
import { AirProvider } from "@/ui/air/use-air";
import { BadFieldsProvider } from "@/ui/forms/bad-fields";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { differencesInWords } from "@/ui/settings/differences";
import { usePreferences } from "@/ui/theme/preferences";
import { useSetupDraft } from "@/ui/settings/use-setup-draft";
import type { SetupData } from "./load";
import { SavePanel } from "@/ui/settings/save-panel";
import { SetupFiles } from "./setup-files";
import { inAir, SetupPart, tabs, type Tab } from "./setup-parts";
import { SymptomFinder } from "./symptom-finder";
import { SetupVersions } from "./setup-versions";

/** All of them in sight at 1280 px. */
const tabsLook = { minHeight: 40, displayPrint: "none", "& .MuiTab-root": { minWidth: 0, px: 1.5 } };

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
  const { units } = usePreferences();
  const [latest] = data.setups;
  const begun = useSettingsToBegin(data, aircraft);
  const saved = latest?.settings ?? data.elsewhere[0]?.setup.settings ?? begun;
  const draft = useSetupDraft(aircraft.id, saved);
  const { change, drop, undo, redo } = draft;
  const { settings, reason } = draft.draft;
  const keys = useMemo(
    () => [
      ...tabs.map(({ id, name }, i) => ({ key: String(i + 1), label: `Part: ${name}`, run: () => setTab(id) })),
      { key: "u", label: "Undo the last change", run: () => undo?.() },
      { key: "r", label: "Redo it", run: () => redo?.() },
    ],
    [setTab, undo, redo],
  );
  useKeys(keys);
  const [thawed, setThawed] = useState(false);
  const { settingsFrozen, name: pilotName } = data.pilot;
  const set = (next: Partial<Settings>) => change({ reason, settings: { ...settings, ...next } });
  return (
    <>
      {settingsFrozen && latest && !thawed && (
        <Alert
          severity="warning"
          sx={{ mb: 2 }}
          action={<Button onClick={() => setThawed(true)}>Change them all the same</Button>}
        >
          The settings of {pilotName} are frozen: hands learn best on what does not change. Change them for a reason,
          not for a bad day.
        </Alert>
      )}
      {draft.restored && (
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
        <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0,1fr)", gap: 3, minWidth: 0, alignContent: "start" }}>
          <Tabs
            value={tab}
            onChange={(_, next: Tab) => setTab(next)}
            variant="scrollable"
            aria-label="Parts of the setup"
            sx={({ tokens }) => ({ ...tabsLook, borderBottom: `1.5px solid ${tokens.ink}` })}
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
          <SetupPart tab={tab} data={data} aircraft={aircraft} settings={settings} set={set} />
        </Box>
        <Box sx={{ display: "grid", displayPrint: "none", gap: 2, alignContent: "start" }}>
          <Typography variant="h2">
            {!data.mayChange ? "Try it out" : latest ? `Change setup ${latest.number}` : "First setup"}
          </Typography>
          <SavePanel
            aircraftId={aircraft.id}
            latest={latest}
            draft={draft}
            differences={differencesInWords(saved, settings)}
            mayChange={data.mayChange}
            frozen={{ yes: settingsFrozen, thawed }}
            onBack={() => drop(saved)}
          />
          <UndoRedo undo={undo} redo={redo} />
          <SymptomFinder aircraft={aircraft} settings={settings} pilot={data.pilot} />
          <SetupFiles
            aircraft={aircraft}
            hasSetup={latest !== undefined}
            settings={settings}
            reason={reason || (latest?.reason ?? "")}
            onRead={(read, name) => change({ settings: read, reason: `From the file ${name}` })}
          />
          <SetupVersions
            data={data}
            onStartFrom={(setup) => change({ settings: setup.settings, reason: `Back to setup ${setup.number}` })}
          />
        </Box>
      </Box>
    </>
  );
}

/** For somebody's first aircraft: what is usual at their stage. */
function useSettingsToBegin({ stage, school, pilot, day }: SetupData, { airframe }: Aircraft): Settings {
  return useMemo(
    () => settingsToBegin(firstSettings, airframe, stage, settingsSchoolOf(school), pilot, airOfDay(day.air)),
    [airframe, stage, school, pilot, day],
  );
}

function UndoRedo({ undo, redo }: { undo: (() => void) | null; redo: (() => void) | null }) {
  if (!undo && !redo) return null;
  return (
    <Box sx={{ display: "flex", gap: 1 }}>
      <Button size="small" disabled={!undo} onClick={() => undo?.()}>
        Undo
      </Button>
      <Button size="small" disabled={!redo} onClick={() => redo?.()}>
        Redo
      </Button>
    </Box>
  );
}
