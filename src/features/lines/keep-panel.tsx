"use client";

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import FormGroup from "@mui/material/FormGroup";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { Box } from "@/ui/layout/box";
import { lineItemName } from "@/words";
import { useSend } from "@/ui/actions/use-send";
import { useUndoable } from "@/ui/actions/use-undoable";
import { Fold } from "@/ui/layout/fold";
import { Moment } from "@/ui/moment/moment";
import { useAtHand } from "@/ui/shell/at-hand";
import { usePreferences } from "@/ui/theme/preferences";
import type { KeptLine } from "@/contract";
import type { LinesData } from "./load";

/** To whom a line was given, its versions, and the bin. */
export function KeepPanel({
  open,
  squadPilots,
  onTakeUp,
  onRemoved,
}: {
  open: NonNullable<LinesData["open"]>;
  squadPilots: LinesData["squadPilots"];
  /** An earlier version becomes what is being changed. */
  onTakeUp: (version: KeptLine) => void;
  onRemoved: () => void;
}) {
  const { line, versions } = open;
  const { units } = usePreferences();
  const { sendAction, pending } = useSend();
  const router = useRouter();
  const undoable = useUndoable();
  const { hrefFor } = useAtHand();
  const give = async (pilotId: string, given: boolean) => {
    const result = await sendAction("give-line", { id: line.id, pilotId, given });
    if (result.ok) router.refresh();
  };
  const remove = async () => {
    if (!(await undoable("remove-line", "restore-line", line.id, `"${line.name}" is in the bin`))) return;
    onRemoved();
    router.push(hrefFor("/lines"));
  };
  return (
    <Box sx={{ mt: 3, maxWidth: 820 }}>
      <Fold title="Given to" beside={`${line.pilotIds.length} of ${squadPilots.length}`} level={2} open>
        <FormGroup row>
          {squadPilots.map((pilot) => (
            <FormControlLabel
              key={pilot.id}
              control={
                <Checkbox
                  size="small"
                  disabled={pending}
                  checked={line.pilotIds.includes(pilot.id)}
                  onChange={(_, on) => give(pilot.id, on)}
                />
              }
              label={pilot.name}
            />
          ))}
        </FormGroup>
        <Typography sx={{ fontSize: "0.88rem", color: "text.secondary" }}>
          Pilots it is given to see its newest version and can plan for it.
        </Typography>
      </Fold>
      <Fold title="Versions" beside={String(versions.length)} level={2}>
        <Box component="ol" sx={{ listStyle: "none", p: 0, m: 0 }}>
          {versions.map((version) => (
            <Box
              component="li"
              key={version.number}
              sx={{ display: "flex", gap: 1.5, alignItems: "baseline", py: 0.5 }}
            >
              <b className="num">{version.number}</b>
              <Box sx={{ flex: 1, minWidth: 0 }}>
                {version.line.items.map((item) => lineItemName(item, units)).join(" → ")}
                <Box component="span" sx={{ color: "text.secondary", fontSize: "0.88rem" }}>
                  {" "}
                  · {version.savedBy}, <Moment atMs={version.savedAtMs} />
                </Box>
              </Box>
              {version.number !== line.version && (
                <Button size="small" onClick={() => onTakeUp(version)}>
                  Go back to it
                </Button>
              )}
            </Box>
          ))}
        </Box>
      </Fold>
      <Button sx={{ mt: 1 }} onClick={remove} disabled={pending}>
        Delete
      </Button>
    </Box>
  );
}
