"use client";

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import FormGroup from "@mui/material/FormGroup";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { otherDirection, recipeFaults, type Recipe } from "@/core";
import type { SquadVariant } from "@/contract";
import { directionWords, trickOf } from "@/syllabus";
import { useSend } from "@/ui/actions/use-send";
import { useUndoable } from "@/ui/actions/use-undoable";
import type { useDraft } from "@/ui/drafts/use-draft";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { tell } from "@/ui/messages/messages";
import { useAtHand } from "@/ui/shell/at-hand";
import type { Choreography } from "./choreography";
import { documentOf } from "./document";
import type { ChoreographerData } from "./load";

interface KeepProps {
  readonly data: ChoreographerData;
  readonly opened: SquadVariant | null;
  readonly draft: ReturnType<typeof useDraft<Choreography>>;
  readonly recipe: Recipe;
  /** Why it does not come to its end with the aircraft at hand; null when it does. */
  readonly unfinished: string | null;
}

/** Keeps what is on the timeline as the coach's own way, by a name, for the pilots chosen. */
export function KeepPanel(props: KeepProps) {
  const keep = useKeep(props);
  const { data, opened, recipe, unfinished } = props;
  const { name, bothWays, pilotIds, overtaken } = keep;
  const trick = trickOf(data.trickId);
  const way = trick.variants.find((one) => one.id === data.wayId)!;
  const { sides, other } = keep;
  const whole = recipeFaults(recipe).length === 0 && name.trim() !== "";
  const others = data.own.filter((one) => one.id !== opened?.id && one.instead === data.wayId);
  return (
    <Box
      component="section"
      aria-labelledby="keep"
      sx={(theme) => ({ mt: 3, pt: 1.5, borderTop: `1.5px solid ${theme.tokens.ink}`, maxWidth: 820 })}
    >
      <Typography variant="h2" id="keep">
        {opened ? `Your way: ${opened.name}` : "Save as your own version"}
      </Typography>
      <Typography sx={{ fontSize: "0.9rem", color: "text.secondary", mb: 1 }}>
        Pilots it is chosen for get it in their briefs of {trick.name}
        {trick.variants.length > 1 && `, flown "${way.name}"`}, and in the field. The others fly it as before.
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "center" }}>
        <TextField
          size="small"
          label="Name"
          value={name}
          onChange={(event) => keep.setName(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
          sx={{ minWidth: 260 }}
        />
        {sides && (
          <FormControlLabel
            control={<Checkbox size="small" checked={bothWays} onChange={(_, on) => keep.setBothWays(on)} />}
            label={`Also flown ${directionWords[other]}, as its mirror image`}
          />
        )}
      </Box>
      <Typography sx={{ fontWeight: 650, mt: 1 }}>Flown by</Typography>
      <FormGroup row>
        {data.squadPilots.map((pilot) => (
          <FormControlLabel
            key={pilot.id}
            control={
              <Checkbox size="small" checked={pilotIds.includes(pilot.id)} onChange={() => keep.toggle(pilot.id)} />
            }
            label={pilot.name}
          />
        ))}
      </FormGroup>
      {unfinished !== null && pilotIds.length > 0 && (
        <Typography color="error.main" role="alert" sx={{ fontWeight: 600 }}>
          ▲ With this aircraft it does not work: {unfinished}. A brief would say so instead of numbers.
        </Typography>
      )}
      {overtaken && (
        <Typography color="error.main" role="alert">
          ▲ It was saved meanwhile, and your changes follow the version before. Save them under another name, or discard
          them.
        </Typography>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
        {opened ? (
          <>
            <Button variant="contained" disabled={!whole || overtaken || keep.pending} onClick={keep.edit}>
              Save changes
            </Button>
            <Button
              disabled={!whole || keep.pending || name.trim() === opened.name}
              onClick={keep.add}
              title={name.trim() === opened.name ? "Give it another name first" : undefined}
            >
              Save as new
            </Button>
            <Button disabled={keep.pending} onClick={keep.remove}>
              Delete
            </Button>
          </>
        ) : (
          <Button variant="contained" disabled={!whole || keep.pending} onClick={keep.add}>
            Save
          </Button>
        )}
      </Box>
      {others.length > 0 && (
        <Typography sx={{ mt: 1.5, fontSize: "0.9rem" }}>
          Other ways of your own here: {others.map((one) => `${one.name} (${flownBy(one, data)})`).join("; ")}. Of
          several chosen for one pilot, the one chosen last is flown.
        </Typography>
      )}
    </Box>
  );
}

/** The name, the pilots and the ways to keep it. */
function useKeep({ data, opened, draft, recipe }: KeepProps) {
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const { sendAction, pending } = useSend();
  const undoable = useUndoable();
  const [name, setName] = useState(opened?.name ?? "");
  const [bothWays, setBothWays] = useState(opened?.bothWays ?? true);
  const [pilotIds, setPilotIds] = useState<readonly string[]>(opened?.pilotIds ?? []);
  // Made once, so that a repeated send changes nothing.
  const [id, setId] = useState(() => newId());
  const { direction } = draft.document;
  const other = otherDirection(direction);
  const sides = other !== direction;
  const document = documentOf({ data, name: name.trim(), bothWays: sides && bothWays, draft, recipe });
  const finish = (done: string, ownId: string, version: number) => {
    draft.drop(draft.document, version);
    tell(done, { kind: "done" });
    router.push(hrefFor("/lab/choreographer", { step: data.trickId, own: ownId }));
    router.refresh();
  };
  const add = async () => {
    const result = await sendAction("add-variant", { id, squadId: data.pilot.squadId, pilotIds, document });
    if (!result.ok) return;
    setId(newId());
    finish(`"${name.trim()}" is kept`, id, 1);
  };
  const edit = async () => {
    const { id: ownId } = opened!;
    const result = await sendAction("edit-variant", { id: ownId, version: draft.basedOn, pilotIds, document });
    if (result.ok) finish(`"${name.trim()}" is saved`, ownId, draft.basedOn + 1);
  };
  const toggle = (pilotId: string) =>
    setPilotIds((now) => (now.includes(pilotId) ? now.filter((one) => one !== pilotId) : [...now, pilotId]));
  const remove = async () => {
    const { id: ownId, name: ownName } = opened!;
    if (!(await undoable("remove-variant", "restore-variant", ownId, `"${ownName}" is in the bin`))) return;
    draft.drop(draft.document, draft.basedOn);
    router.push(hrefFor("/lab/choreographer", { step: data.trickId, way: data.wayId }));
  };
  const overtaken = opened !== null && draft.basedOn !== opened.version;
  return {
    name,
    setName,
    bothWays,
    setBothWays,
    pilotIds,
    toggle,
    /** The other direction, and whether there is one. */
    other,
    sides,
    overtaken,
    pending,
    add,
    edit,
    remove,
  };
}

function flownBy({ pilotIds }: SquadVariant, { squadPilots }: ChoreographerData): string {
  const names = squadPilots.filter(({ id }) => pilotIds.includes(id)).map(({ name }) => name);
  return names.length > 0 ? names.join(", ") : "nobody yet";
}
