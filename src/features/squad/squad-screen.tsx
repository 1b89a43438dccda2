"use client";

import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { Link } from "@/ui/actions/link";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { SendFormLater as SendForm } from "@/ui/forms/send-form-later";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { StateMark } from "@/ui/marks/marks";
import { usePreferences } from "@/ui/theme/preferences";
import { pilotFields, pilotFrom } from "@/ui/forms/pilot-fields";
import { FirstWay } from "./first-way";
import type { ShownRow, ShownSquad } from "./shown";
import { SquadTable } from "./squad-table";

/** Squad: who is on what, what is due, the evidence at a glance. */
export function SquadScreen({ data }: { data: ShownSquad }) {
  const [adding, setAdding] = useState(false);
  const keys = useMemo(() => [{ key: "a", label: "Add a pilot", run: () => setAdding(true) }], []);
  useKeys(keys);
  // A coach of several squads looks at all of them, or at one.
  const [shownId, setShownId] = useState<string | null>(null);
  const rows = data.rows.filter(({ squadId }) => shownId === null || squadId === shownId);
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 3, rowGap: 1, mb: 2 }}>
        <Typography variant="h1">Squad</Typography>
        {data.squads.length > 1 && (
          <SelectField
            look="lined"
            value={shownId ?? "all"}
            onChange={(event) => setShownId(event.target.value === "all" ? null : event.target.value)}
            aria-label={"Squad shown"}
          >
            <Option value="all">all squads</Option>
            {data.squads.map(({ id, name }) => (
              <Option key={id} value={id}>
                {name}
              </Option>
            ))}
          </SelectField>
        )}
        <Counts rows={rows} />
        <Box sx={{ flex: 1 }} />
        {(rows.length === 0 ? [] : data.squads)
          .filter(({ id }) => shownId === null || id === shownId)
          .map(({ id, name }) => (
            <span key={id}>
              <Button component="a" href={`/squad-files/${id}/overview.pdf`} download>
                {data.squads.length > 1 ? `${name}, PDF` : "Export PDF"}
              </Button>
              <Button component="a" href={`/squad-files/${id}/overview.csv`} download>
                CSV
              </Button>
            </span>
          ))}
        <Button variant="outlined" onClick={() => setAdding(true)}>
          Add a pilot
        </Button>
      </Box>
      {data.squads.length === 0 ? (
        <Box sx={{ maxWidth: 620, mt: 4 }}>
          <Typography variant="h2">No squad</Typography>
          <Typography sx={{ my: 1.5 }}>
            Pilots are in a squad. Add one under People, or bring one back from the bin.
          </Typography>
          <Button variant="contained" component={Link} href="/people">
            Go to People
          </Button>
        </Box>
      ) : rows.length === 0 ? (
        <FirstWay onAdd={() => setAdding(true)} />
      ) : (
        <SquadTable rows={rows} />
      )}
      <AddPilot open={adding} squadId={shownId} squads={data.squads} onClose={() => setAdding(false)} />
    </>
  );
}

function AddPilot({
  open,
  squadId,
  squads,
  onClose,
}: {
  open: boolean;
  squadId: string | null;
  squads: ShownSquad["squads"];
  onClose: () => void;
}) {
  const { units } = usePreferences();
  const router = useRouter();
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="add-pilot" fullWidth maxWidth="xs">
      <DialogTitle id="add-pilot">Add a pilot</DialogTitle>
      <DialogContent>
        <Box sx={{ pt: 1 }}>
          <SendForm
            action="add-pilot"
            submit="Add"
            fields={pilotFields(
              { name: "", stickMode: 2, grip: "thumbs", squadId: squadId ?? undefined },
              squads,
              units,
            )}
            input={(values, id) => ({ id, ...pilotFrom(values, units) })}
            onDone={(id) => {
              onClose();
              router.push(`/pilot?pilot=${id}`);
              router.refresh();
            }}
          />
        </Box>
      </DialogContent>
    </Dialog>
  );
}

/** How many there are, and how many want something. */
function Counts({ rows }: { rows: readonly ShownRow[] }) {
  if (rows.length === 0) return null;
  const asking = rows.reduce((sum, row) => sum + row.asksFor.length, 0);
  const signOffs = rows.filter((row) => row.glance.current?.advice.kind === "advance").length;
  const due = rows.reduce((sum, row) => sum + row.glance.reviewsDue, 0);
  return (
    <>
      <span>
        <b className="num">{rows.length}</b> {rows.length === 1 ? "pilot" : "pilots"}
      </span>
      {asking > 0 && (
        <Box component="span" sx={{ color: "error.main", fontWeight: 600 }}>
          ▲ sign-off requested <b className="num">{asking}</b>
        </Box>
      )}
      <span>
        <StateMark state="ready" labelled={false} /> ready for sign-off <b className="num">{signOffs}</b>
      </span>
      <Box component="span" sx={(theme) => ({ color: theme.tokens.ochreText, fontWeight: 600 })}>
        <StateMark state="due" labelled={false} /> review due <b className="num">{due}</b>
      </Box>
    </>
  );
}
