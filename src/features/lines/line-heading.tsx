"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { useSend } from "@/ui/actions/use-send";
import type { Draft } from "@/ui/drafts/use-draft";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { tell } from "@/ui/messages/messages";
import { useAtHand } from "@/ui/shell/at-hand";
import { documentOf, type LineDraft } from "./edits";
import type { LinesData } from "./load";

/** Name, version and what is done with the whole. */
export function LineHeading(props: { data: LinesData; draft: Draft<LineDraft>; whole: boolean; onInvent: () => void }) {
  const { data, draft, whole, onInvent } = props;
  const { open, mayChange, squadPilots, pilot } = data;
  const { document } = draft;
  const { add, save, pending, named, overtaken } = useKeep(data, draft);
  const given = squadPilots.filter(({ id: one }) => open?.line.pilotIds.includes(one)).map(({ name }) => name);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 0.5 }}>
      <Typography variant="h1">{document.name.trim() || (open ? open.line.name : "A new line")}</Typography>
      <Typography sx={{ color: "text.secondary" }}>
        {open ? (
          <>
            version <b className="num">{open.line.version}</b>
            {draft.changed && ", changed"}
            {mayChange && (given.length > 0 ? ` · given to ${given.join(", ")}` : " · not given to anyone yet")}
          </>
        ) : (
          `for ${pilot.name}`
        )}
      </Typography>
      <Box sx={{ flex: 1 }} />
      {mayChange && (
        <>
          <TextField
            size="small"
            label="Name"
            value={document.name}
            onChange={(event) => draft.change({ ...document, name: event.target.value }, "name")}
            slotProps={{ htmlInput: { maxLength: 80 } }}
            sx={{ width: 200 }}
          />
          <Button variant="outlined" onClick={onInvent}>
            Invent lines
          </Button>
        </>
      )}
      {mayChange && open && (
        <Button
          variant="contained"
          disabled={!whole || !named || pending || overtaken || !draft.changed}
          onClick={save}
        >
          Save version
        </Button>
      )}
      {mayChange && (!open || (draft.changed && document.name.trim() !== open.line.name)) && (
        <Button
          variant={open ? "outlined" : "contained"}
          disabled={!whole || !named || pending}
          title={named ? undefined : "Give it a name first"}
          onClick={add}
        >
          {open ? "Save as new" : "Save line"}
        </Button>
      )}
      {overtaken && (
        <Typography color="error.main" role="alert" sx={{ flexBasis: "100%" }}>
          ▲ It was saved meanwhile, and your changes follow the version before. Save them under another name, or discard
          them.
        </Typography>
      )}
    </Box>
  );
}

/** The ways to keep it: in a version, or as a line of its own. */
function useKeep({ open, pilot }: LinesData, draft: Draft<LineDraft>) {
  const { document } = draft;
  const { sendAction, pending } = useSend();
  const router = useRouter();
  const { hrefFor } = useAtHand();
  // Made once, so that a repeated send changes nothing.
  const [id, setId] = useState(() => newId());
  const named = document.name.trim() !== "";
  const overtaken = open !== null && draft.basedOn < open.line.version;
  const finish = (lineId: string, version: number, done: string) => {
    draft.drop(document, version);
    tell(done, { kind: "done" });
    router.push(hrefFor("/lines", { line: lineId }));
    router.refresh();
  };
  const kept = documentOf(document);
  const add = async () => {
    const result = await sendAction("add-line", {
      id,
      squadId: open?.line.squadId ?? pilot.squadId,
      siteId: document.siteId,
      document: kept,
    });
    if (!result.ok) return;
    setId(newId());
    finish(id, 1, `"${kept.name}" is kept`);
  };
  const save = async () => {
    const { id: lineId } = open!.line;
    const result = await sendAction("save-line", {
      id: lineId,
      version: draft.basedOn,
      siteId: document.siteId,
      document: kept,
    });
    if (result.ok) finish(lineId, draft.basedOn + 1, `"${kept.name}" is saved`);
  };
  return { add, save, pending, named, overtaken };
}
