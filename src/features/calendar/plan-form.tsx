"use client";

import { DAY_MS } from "@/core";
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { useState } from "react";
import { v7 as newId } from "uuid";
import type { PlannedSession } from "@/contract";
import { send } from "@/ui/actions/send";
import { DateField } from "@/ui/forms/date-field";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import type { CalendarData } from "./load";

/** `2026-12-05T10:00` of a moment, by the clock of this device, as date fields want it. */
function localText(ms: number): string {
  const at = new Date(ms - new Date(ms).getTimezoneOffset() * 60_000);
  return at.toISOString().slice(0, 16);
}

const WEEK_MS = 7 * DAY_MS;

/** Plans a session or changes one: when, where, how long and who. What was entered stays when it is refused. */
export function PlanForm({
  data,
  planned,
  onDone,
}: {
  data: CalendarData;
  planned: PlannedSession | null;
  onDone: () => void;
}) {
  const [id] = useState(() => planned?.id ?? newId());
  const [squadId, setSquad] = useState(planned?.squadId ?? data.squads[0].id);
  const [starts, setStarts] = useState(() =>
    localText(planned?.startsAtMs ?? new Date(data.nowMs + WEEK_MS).setMinutes(0, 0, 0)),
  );
  const [minutes, setMinutes] = useState(String(planned?.minutes ?? 120));
  const [siteId, setSite] = useState(planned?.siteId ?? "");
  const [note, setNote] = useState(planned?.note ?? "");
  const pilots = data.pilots.filter((pilot) => pilot.squadId === squadId);
  const [coming, setComing] = useState<ReadonlySet<string>>(
    () => new Set(planned?.pilotIds ?? pilots.map((pilot) => pilot.id)),
  );
  const [failure, setFailure] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const [busy, setBusy] = useState(false);
  const save = async () => {
    setBusy(true);
    const result = await send(planned ? "edit-planned" : "plan-session", {
      id,
      ...(planned ? { version: planned.version } : { squadId }),
      startsAtMs: new Date(starts).getTime(),
      minutes: Number(minutes),
      siteId: siteId || null,
      note,
      pilotIds: pilots.map((pilot) => pilot.id).filter((pilotId) => coming.has(pilotId)),
    });
    setBusy(false);
    if (result.ok) onDone();
    else setFailure(result);
  };
  const error = (name: string) => ({
    error: Boolean(failure?.fields[name]),
    helperText: failure?.fields[name],
  });
  return (
    <Box sx={{ display: "grid", gap: 2, pt: 1 }}>
      {planned === null && data.squads.length > 1 && (
        <SelectField label="Squad" value={squadId} onChange={(event) => setSquad(event.target.value)}>
          {data.squads.map((squad) => (
            <Option key={squad.id} value={squad.id}>
              {squad.name}
            </Option>
          ))}
        </SelectField>
      )}
      <DateField to="minute" label="Starts" value={starts} onChange={setStarts} {...error("startsAtMs")} />
      <TextField
        label="Length, min"
        value={minutes}
        onChange={(event) => setMinutes(event.target.value)}
        slotProps={{ htmlInput: { inputMode: "numeric", maxLength: 5 } }}
        {...error("minutes")}
      />
      <SiteField
        sites={data.sites.filter((site) => site.squadId === squadId)}
        value={siteId}
        onChange={setSite}
        {...error("siteId")}
      />
      <TextField
        label="Note (optional)"
        value={note}
        multiline
        minRows={2}
        onChange={(event) => setNote(event.target.value)}
        slotProps={{ htmlInput: { maxLength: 500 } }}
        {...error("note")}
      />
      <WhoComes pilots={pilots} coming={coming} onChange={setComing} />
      {failure && <Alert severity="error">{failure.message}</Alert>}
      <Button variant="contained" disabled={busy} onClick={save} sx={{ justifySelf: "start" }}>
        {planned ? "Save" : "Plan it"}
      </Button>
    </Box>
  );
}

function WhoComes({
  pilots,
  coming,
  onChange,
}: {
  pilots: CalendarData["pilots"];
  coming: ReadonlySet<string>;
  onChange: (coming: ReadonlySet<string>) => void;
}) {
  const toggle = (pilotId: string, on: boolean) =>
    onChange(new Set(on ? [...coming, pilotId] : [...coming].filter((id) => id !== pilotId)));
  return (
    <Box role="group" aria-label="Who is to come">
      {pilots.map((pilot) => (
        <FormControlLabel
          key={pilot.id}
          control={<Checkbox checked={coming.has(pilot.id)} onChange={(_, on) => toggle(pilot.id, on)} />}
          label={pilot.name}
        />
      ))}
    </Box>
  );
}

function SiteField({
  sites,
  value,
  onChange,
  ...shown
}: {
  sites: CalendarData["sites"];
  value: string;
  onChange: (siteId: string) => void;
  error: boolean;
  helperText: string | undefined;
}) {
  return (
    <SelectField
      label="Site"
      value={value}
      onChange={(event) => onChange(event.target.value)}

      {...shown}
    >
      <Option value="">no site</Option>
      {sites.map((site) => (
        <Option key={site.id} value={site.id}>
          {site.name}
        </Option>
      ))}
    </SelectField>
  );
}
