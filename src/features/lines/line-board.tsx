"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { flownOf, type Aircraft, type Setup } from "@/contract";
import { Box } from "@/ui/layout/box";
import { Progress } from "@/ui/layout/progress";
import { later } from "@/ui/loading/later";
import { useKeys } from "@/ui/keys/keys";
import { usePreferences } from "@/ui/theme/preferences";
import { lineItemName, refusedWords } from "@/words";
import { takenUp, withInserted, withItem, withJoinsBefore, withMoved, withoutItem } from "./edits";
import { FramePanel } from "./frame-panel";
import { type LineKind } from "./invent-dialog";
import { LineHeading } from "./line-heading";
import type { LinesData } from "./load";
import { PaperButton } from "./paper-button";
import { Strip } from "./strip";
import { useBoard, type Board } from "./use-board";

const InventDialog = later(() => import("./invent-dialog").then((part) => part.InventDialog));
const AddPanel = later(() => import("./add-panel").then((part) => part.AddPanel));
const CopyPanel = later(() => import("./copy-panel").then((part) => part.CopyPanel));
const FlownBoard = later(() => import("./flown-board").then((part) => part.FlownBoard));
const ItemPanel = later(() => import("./item-panel").then((part) => part.ItemPanel));
const FilePart = later(() => import("./file-part").then((part) => part.FilePart));
const KeepPanel = later(() => import("./keep-panel").then((part) => part.KeepPanel));

/** One line: put together, flown whole at once, mended where it does not hold, and kept. */
export function LineBoard(props: { data: LinesData; draftKey: string; aircraft: Aircraft; setup: Setup }) {
  const { data, draftKey, aircraft, setup } = props;
  const board = useBoard(data, draftKey, aircraft, setup);
  const { draft, saved, document, line, flown } = board;
  const { mayChange, open } = data;
  const [inventing, setInventing] = useState<{ readonly open: boolean; readonly kind: LineKind }>({
    open: false,
    kind: "new",
  });
  const invent = (kind: LineKind | null) =>
    setInventing(kind === null ? { ...inventing, open: false } : { open: true, kind });
  const [fileProblem, setFileProblem] = useState<string | null>(null);
  const { units } = usePreferences();
  const items = (
    <>
      <LineStrip board={board} mayChange={mayChange} />
      <Tools board={board} mayChange={mayChange}>
        <FilePart draft={document} onRead={mayChange ? draft.change : null} onProblem={setFileProblem} />
        <PaperButton data={data} board={board} setup={setup} />
      </Tools>
    </>
  );
  return (
    <>
      <LineHeading
        data={data}
        draft={draft}
        whole={document.line.items.length > 0 && line.refused === null}
        onInvent={() => invent("new")}
      />
      {fileProblem && (
        <Alert severity="error" onClose={() => setFileProblem(null)} sx={{ mb: 1 }}>
          Nothing was changed. {fileProblem}
        </Alert>
      )}
      {draft.restored && (
        <Alert
          severity="info"
          sx={{ mb: 1 }}
          action={
            <Button color="inherit" onClick={() => draft.drop(saved, open?.line.version ?? 0)}>
              Drop it
            </Button>
          }
        >
          Not saved yet, kept on this device from before.
        </Alert>
      )}
      <Box sx={{ height: 4, mb: 0.5 }}>{line.pending && <Progress aria-label="Flying the line in the model" />}</Box>
      {line.refused && (
        <Alert severity="error" sx={{ mb: 1 }}>
          <b>This cannot be flown:</b> {refusedWords(line.refused, units)}. Undo, or change what it says.
        </Alert>
      )}
      {flown ? (
        <FlownBoard
          data={data}
          board={board}
          flown={flown}
          setup={setup}
          strip={items}
          onChangeOne={() => invent("one-thing")}
        >
          {mayChange && <Workbench data={data} board={board} />}
        </FlownBoard>
      ) : (
        <>
          {document.line.items.length > 0 && !line.refused && (
            <Typography sx={{ py: 6 }}>Flying it in the model with {aircraft.name}</Typography>
          )}
          {items}
          {mayChange && <Workbench data={data} board={board} />}
        </>
      )}
      {mayChange && open && (
        <KeepPanel
          open={open}
          squadPilots={data.squadPilots}
          onTakeUp={({ style, line: kept, copy = null }) => draft.change({ ...document, style, line: kept, copy })}
          onRemoved={() => draft.drop(saved, draft.basedOn)}
        />
      )}
      {mayChange && (
        <InventPart key={inventing.kind} data={data} board={board} {...inventing} onClose={() => invent(null)} />
      )}
    </>
  );
}

function InventPart(props: { data: LinesData; board: Board; open: boolean; kind: LineKind; onClose: () => void }) {
  const { data, board, open, kind, onClose } = props;
  const { document, draft } = board;
  return (
    <InventDialog
      open={open}
      kind={kind}
      onClose={onClose}
      tiles={board.tiles}
      line={document.line.items.length > 0 ? { id: "line", label: document.name, ...document.line } : null}
      site={board.site}
      request={board.request}
      pilotName={data.pilot.name}
      flown={data.ownTries.flatMap(({ line: one }) => (one ? [flownOf(one)] : []))}
      onTake={(taken) => {
        draft.change(takenUp(document, taken));
        board.select(null);
        onClose();
      }}
    />
  );
}

function LineStrip({ board, mayChange }: { board: Board; mayChange: boolean }) {
  const { document, draft, flown, line, selected, select } = board;
  const { items } = document.line;
  // What was flown before stays until the next is there, as long as it is of as many items.
  const matches = flown !== null && flown.line.items.length === items.length;
  return (
    <Strip
      asked={items}
      flown={matches ? flown.flight.items : null}
      faults={matches ? line.faults : []}
      mends={line.mends}
      mending={line.mending}
      selected={selected}
      mayChange={mayChange}
      onSelect={(item) => select(item === selected ? null : item)}
      onMove={(from, to) => {
        draft.change(withMoved(document, from, to));
        select(to);
      }}
      onMend={(item, mend) => draft.change(withJoinsBefore(document, item, mend.joins))}
      onBeginAt={(entryHeightM) => draft.change({ ...document, line: { ...document.line, entryHeightM } })}
    />
  );
}

/** What can be done to the line by button, and by key. */
function Tools(props: { board: Board; mayChange: boolean; children: React.ReactNode }) {
  const { board, mayChange, children } = props;
  const edits = useMemo(() => (mayChange ? board.edits : []), [mayChange, board.edits]);
  useKeys(useMemo(() => edits.flatMap(({ key, name, run }) => (run ? [{ key, label: name, run }] : [])), [edits]));
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, mt: 1 }}>
      {edits.map(({ name, run }) => (
        <Button key={name} size="small" disabled={run === null} onClick={run ?? undefined}>
          {name}
        </Button>
      ))}
      <Box sx={{ flex: 1 }} />
      {children}
    </Box>
  );
}

/** What is put in, the item that is chosen, and where and how the whole is flown. */
function Workbench({ data, board }: { data: LinesData; board: Board }) {
  const { document, draft, flown, selected, select, tiles, request } = board;
  const { items, anchors } = document.line;
  const { units } = usePreferences();
  const insertAt = selected === null ? items.length : selected + 1;
  const before =
    items
      .slice(0, insertAt)
      .filter((item) => item.kind === "trick")
      .at(-1) ?? null;
  const anchorIds = anchors.map(({ id }) => id);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1.5fr) minmax(0,1fr) minmax(0,1fr)" },
        alignItems: "start",
        columnGap: 4,
        rowGap: 3,
        mt: 3,
      }}
    >
      <AddPanel
        tiles={tiles}
        after={before?.recipe ?? null}
        afterName={before && lineItemName(before, units)}
        anchorIds={anchorIds}
        request={request}
        onAdd={(added) => {
          draft.change(withInserted(document, insertAt, added));
          select(selected === null ? null : insertAt + added.length - 1);
        }}
      />
      {selected !== null ? (
        <ItemPanel
          item={items[selected]}
          flown={flown?.line.items.length === items.length ? flown.flight.items[selected] : undefined}
          anchorIds={anchorIds}
          onChange={(item, gesture) =>
            draft.change(withItem(document, selected, item), gesture && `${selected} ${gesture}`)
          }
          onRemove={() => {
            draft.change(withoutItem(document, selected));
            select(null);
          }}
        />
      ) : (
        <Typography sx={{ color: "text.secondary" }}>
          {items.length > 0
            ? "Choose an item above to change it, or to put something in after it."
            : "Begin with a trick; the next ones are put behind it."}
        </Typography>
      )}
      <div>
        <FramePanel draft={document} sites={data.sites} plan={board.plan} onChange={draft.change} />
        <CopyPanel draft={document} onChange={draft.change} />
      </div>
    </Box>
  );
}
