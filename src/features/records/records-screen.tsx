"use client";

import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Binned } from "@/contract";
import { Link } from "@/ui/actions/link";
import { useSend } from "@/ui/actions/use-send";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { SendFormLater as SendForm } from "@/ui/forms/send-form-later";
import { Box } from "@/ui/layout/box";
import { ButtonGrid } from "@/ui/layout/button-grid";
import { Dialog } from "@/ui/layout/opened";
import { Moment } from "@/ui/moment/moment";
import { BringIn } from "./bring-in";
import type { RecordsData } from "./load";
import { capital, deedWords } from "@/words";

const kindNames: Readonly<Record<Binned["kind"], string>> = {
  squad: "Squad with its pilots",
  pilot: "Whole record",
  aircraft: "Aircraft",
  note: "Note",
  "sign-off": "Sign-off",
  attempt: "Attempt",
  site: "Site",
  planned: "Planned session",
  variant: "Way to fly a trick",
  line: "Line",
  target: "Target date",
  homework: "Homework",
};

/** Records: who did what, what lies in the bin, and files in and out. */
export function RecordsScreen({ data }: { data: RecordsData }) {
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1.25fr) minmax(0,1fr)" },
        columnGap: 5,
        rowGap: 4,
      }}
    >
      <Trail data={data} />
      <Box sx={{ display: "grid", gap: 4, alignContent: "start" }}>
        <Bin data={data} />
        <Files data={data} />
      </Box>
    </Box>
  );
}

function Trail({ data: { trail, olderMs } }: { data: RecordsData }) {
  return (
    <section aria-labelledby="trail">
      <Typography variant="h1" id="trail" sx={{ mb: 1 }}>
        Who did what
      </Typography>
      {trail.length === 0 && (
        <Typography color="text.secondary">
          Nothing yet. Sign-offs, saved setups, deletions, restorations, invitations and files leave a line here.
        </Typography>
      )}
      {trail.map((deed) => (
        <Box
          key={deed.id}
          sx={(theme) => ({
            display: "grid",
            gridTemplateColumns: { xs: "1fr", sm: "150px 1fr" },
            columnGap: 2,
            py: 1,
            borderBottom: `1.5px solid ${theme.tokens.rule}`,
            overflowWrap: "anywhere",
          })}
        >
          <Box component="span" className="num" sx={{ fontSize: "0.8rem", color: "text.secondary", pt: 0.5 }}>
            <Moment atMs={deed.atMs} show="both" />
          </Box>
          <span>
            <b>{deed.who}</b> {deedWords(deed)}
          </span>
        </Box>
      ))}
      {olderMs !== null && (
        <Button component={Link} href={`/records?before=${olderMs}`} sx={{ mt: 1 }}>
          Older
        </Button>
      )}
    </section>
  );
}

function Bin({ data: { bin } }: { data: RecordsData }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  return (
    <section aria-labelledby="bin">
      <Typography variant="h2" id="bin">
        Bin
      </Typography>
      <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
        Kept for 30 days, then gone for good.
        {bin.length === 0 && " It is empty."}
      </Typography>
      <Box sx={{ maxHeight: 420, overflowY: "auto" }} tabIndex={bin.length > 0 ? 0 : undefined}>
        {bin.map((one) => (
          <Box
            key={`${one.kind} ${one.id}`}
            sx={(theme) => ({
              display: "flex",
              gap: 2,
              alignItems: "center",
              py: 0.5,
              borderBottom: `1.5px solid ${theme.tokens.rule}`,
            })}
          >
            <Box sx={{ flex: 1, minWidth: 0, overflowWrap: "anywhere", fontSize: "0.9rem" }}>
              <b>{kindNames[one.kind]}</b>: {one.what}
              {one.kind !== "pilot" && one.kind !== "squad" && ` (${one.pilotName})`}
              <Box component="span" sx={{ color: "text.secondary" }}>
                , <Moment atMs={one.removedAtMs} show="both" />
              </Box>
            </Box>
            <Button
              size="small"
              disabled={pending}
              onClick={async () => {
                if ((await sendAction(`restore-${one.kind}`, { id: one.id })).ok) router.refresh();
              }}
            >
              Bring back
            </Button>
          </Box>
        ))}
      </Box>
    </section>
  );
}

function Files({ data }: { data: RecordsData }) {
  const router = useRouter();
  const [chosenId, setChosenId] = useState("");
  const [erasing, setErasing] = useState(false);
  const chosen = data.pilots.find(({ id }) => id === chosenId) ?? data.pilots[0];
  return (
    <section aria-labelledby="files">
      <Typography variant="h2" id="files" sx={{ mb: 1 }}>
        A pilot&apos;s record
      </Typography>
      {chosen && (
        <>
          <SelectField
            size="small"
            label="Whose"
            value={chosen.id}
            onChange={(event) => setChosenId(event.target.value)}
            sx={{ minWidth: 220 }}
          >
            {data.pilots.map(({ id, name }) => (
              <Option key={id} value={id}>
                {name}
              </Option>
            ))}
          </SelectField>
          <Box sx={{ my: 1.5 }}>
            <ButtonGrid columnPx={140}>
              <Button variant="outlined" component="a" href={`/records/${chosen.id}/record.json`} download>
                Everything, JSON
              </Button>
              {["attempts", "milestones", "setups", "notes"].map((table) => (
                <Button
                  key={table}
                  variant="outlined"
                  component="a"
                  href={`/records/${chosen.id}/${table}.csv`}
                  download
                >
                  {capital(table)}, CSV
                </Button>
              ))}
            </ButtonGrid>
          </Box>
          <Typography sx={{ fontSize: "0.88rem", color: "text.secondary" }}>
            The JSON file can be imported into another Bathygon; its format is published as a{" "}
            <a href="/schemas/pilot-record.json">JSON Schema</a>. Recordings of sticks and gyro come out one by one, as
            CSV, under <Link href={`/tape?pilot=${chosen.id}`}>Tape</Link>.
          </Typography>
        </>
      )}
      <BringIn squads={data.squads} />
      {chosen && (
        <Box sx={{ mt: 3 }}>
          <Button color="error" onClick={() => setErasing(true)} sx={{ ml: -1 }}>
            Erase {chosen.name} for good
          </Button>
          <Dialog open={erasing} onClose={() => setErasing(false)} aria-labelledby="erase" fullWidth maxWidth="sm">
            <DialogTitle id="erase">Erase the record of {chosen.name}</DialogTitle>
            <DialogContent>
              <Typography sx={{ mb: 2 }}>
                For a pilot who asks for it. Attempts, milestones, setups, notes, recordings, the account and the lines
                about them under &ldquo;Who did what&rdquo; go at once and cannot be brought back. Backups made before
                still hold them until you delete those. To put a record away with 30 days to think, use the bin instead.
              </Typography>
              <SendForm
                action="erase-pilot"
                submit="Erase for good"
                fields={{ name: { label: `Type the name: ${chosen.name}`, initial: "" } }}
                input={({ name }) => ({ id: chosen.id, name })}
                onDone={() => {
                  setErasing(false);
                  setChosenId("");
                  router.refresh();
                }}
              />
            </DialogContent>
          </Dialog>
        </Box>
      )}
    </section>
  );
}
