"use client";

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import type { Squad } from "@/server/repositories";
import { send } from "@/ui/actions/send";
import { LONGEST_RECORD_BYTES } from "./limits";

type Outcome = { readonly good: boolean; readonly says: string };

/** Brings a pilot's record in from a file. Size and kind are looked at before it is read, and everything in it before anything is kept. */
export function BringIn({ squads }: { squads: readonly Squad[] }) {
  const router = useRouter();
  const [squadId, setSquadId] = useState(squads[0]?.id ?? "");
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const take = async (file: File) => {
    setBusy(true);
    setOutcome(await bringIn(file, squadId));
    setBusy(false);
    router.refresh();
  };
  if (squads.length === 0) return null;
  return (
    <Box sx={{ mt: 2, display: "grid", gap: 1.5, justifyItems: "start" }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center" }}>
        <Button variant="outlined" disabled={busy} onClick={() => input.current?.click()}>
          {busy ? "Reading the file" : "Bring a record in"}
        </Button>
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          aria-label="File with a pilot's record"
          tabIndex={-1}
          style={{ position: "absolute", width: 1, height: 1, overflow: "hidden", clipPath: "inset(50%)" }}
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file) void take(file);
            event.target.value = "";
          }}
        />
        {squads.length > 1 && (
          <TextField
            select
            size="small"
            label="Into"
            value={squadId}
            onChange={(event) => setSquadId(event.target.value)}
            sx={{ minWidth: 180 }}
          >
            {squads.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
        )}
      </Box>
      {outcome && <Alert severity={outcome.good ? "success" : "error"}>{outcome.says}</Alert>}
    </Box>
  );
}

async function bringIn(file: File, squadId: string): Promise<Outcome> {
  const refused = (says: string): Outcome => ({ good: false, says });
  if (!/\.json$/i.test(file.name)) return refused(`${file.name} is not a JSON file.`);
  if (file.size > LONGEST_RECORD_BYTES - 1024)
    return refused(`${file.name} is larger than ${LONGEST_RECORD_BYTES / 1024 ** 2} MB; no record is.`);
  let record: object;
  try {
    record = JSON.parse(await file.text()) as object;
  } catch {
    return refused(`${file.name} is not whole: it cannot be read as JSON.`);
  }
  const result = await send<{ added: number }>("import-record", { squadId, record });
  if (!result.ok) return refused(`Nothing was changed. ${result.message}`);
  const { added } = result.data;
  return { good: true, says: added === 0 ? "All of it is here already." : `${added} things brought in.` };
}
