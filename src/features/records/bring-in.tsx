"use client";

import Alert from "@mui/material/Alert";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Squad } from "@/contract";
import { send } from "@/ui/actions/send";
import { JsonFileButton, type JsonFile } from "@/ui/forms/json-file-button";
import { Box } from "@/ui/layout/box";
import { counted } from "@/words";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { LONGEST_RECORD_BYTES } from "./limits";

type Outcome = { readonly good: boolean; readonly says: string };

/** Brings a pilot's record in from a file; everything in it is checked before anything is kept. */
export function BringIn({ squads }: { squads: readonly Squad[] }) {
  const router = useRouter();
  const [squadId, setSquadId] = useState(squads[0]?.id ?? "");
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  if (squads.length === 0) return null;
  return (
    <Box sx={{ mt: 2, display: "grid", gap: 1.5, justifyItems: "start" }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center" }}>
        <JsonFileButton
          label="File with a pilot's record"
          variant="outlined"
          longestBytes={LONGEST_RECORD_BYTES}
          onFile={async (file) => {
            setOutcome(await bringIn(file, squadId));
            router.refresh();
          }}
        >
          Import a record
        </JsonFileButton>
        {squads.length > 1 && (
          <SelectField
            size="small"
            label="Into"
            value={squadId}
            onChange={(event) => setSquadId(event.target.value)}
            sx={{ minWidth: 180 }}
          >
            {squads.map(({ id, name }) => (
              <Option key={id} value={id}>
                {name}
              </Option>
            ))}
          </SelectField>
        )}
      </Box>
      {outcome && <Alert severity={outcome.good ? "success" : "error"}>{outcome.says}</Alert>}
    </Box>
  );
}

async function bringIn(file: JsonFile, squadId: string): Promise<Outcome> {
  if (!file.ok) return { good: false, says: `${file.message}.` };
  const result = await send("import-record", { squadId, record: file.content });
  if (!result.ok) return { good: false, says: `Nothing was changed. ${result.message}` };
  const { added } = result.data;
  return { good: true, says: added === 0 ? "Already up to date." : `${counted(added, "entry", "entries")} imported.` };
}
