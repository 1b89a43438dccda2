"use client";

import useMediaQuery from "@mui/material/useMediaQuery";
import type { Theme } from "@mui/material/styles";
import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { useState } from "react";
import { GAP_DAYS } from "@/core";
import { findStep } from "@/syllabus";
import { Option } from "@/ui/forms/options";
import { PickOne } from "@/ui/forms/pick-one";
import { SelectField } from "@/ui/forms/select-field";
import { TextField } from "@/ui/forms/text-field";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { Box } from "@/ui/layout/box";
import { useSyllabusOf } from "@/ui/syllabus/use-syllabus";
import { counted } from "@/words";
import { CompactRow, compactColumns, LINE_PX } from "./compact-row";
import { PilotRow, roomyColumns } from "./pilot-row";
import type { ShownRow } from "./shown";

/** Rows that are drawn on the server; those of a large squad follow in the browser. */
const AT_ONCE = 8;
/** More pilots than this stand in a line each, so that a squad is seen at once. Ours. */
const ROOMY = 9;
/** Beyond this only the rows in sight are drawn. */
const VIRTUAL = 50;

const sorts = [
  ["need", "Most attention"],
  ["name", "Name"],
  ["depth", "Depth"],
  ["flown", "Longest without flying"],
] as const;
type Sort = (typeof sorts)[number][0];
const filters = [
  ["all", "All"],
  ["need", "Need attention"],
  ["ready", "Ready for sign-off"],
  ["due", "Review due"],
  ["gap", "Not flying"],
] as const;
type Filter = (typeof filters)[number][0];

/** `rows` come with most attention first. */
const sorted: Readonly<Record<Sort, (rows: readonly ShownRow[]) => readonly ShownRow[]>> = {
  need: (rows) => rows,
  name: (rows) => [...rows].sort((a, b) => a.name.localeCompare(b.name)),
  depth: (rows) => [...rows].sort((a, b) => b.glance.signedOff - a.glance.signedOff),
  flown: (rows) => [...rows].sort((a, b) => (a.glance.lastFlownMs ?? 0) - (b.glance.lastFlownMs ?? 0)),
};
const kept: Readonly<Record<Filter, (row: ShownRow) => boolean>> = {
  all: () => true,
  need: ({ reasons }) => reasons.length > 0,
  ready: ({ reasons }) => reasons.some(({ kind }) => kind === "ready" || kind === "asks"),
  due: ({ glance }) => glance.reviewsDue > 0,
  gap: ({ glance }) => glance.idleDays === null || glance.idleDays > GAP_DAYS,
};

/** Every pilot in a row: who to take first, and why. */
export function SquadTable({ rows }: { rows: readonly ShownRow[] }) {
  const [sort, setSort] = useState<Sort>("need");
  const [filter, setFilter] = useState<Filter>("all");
  const [text, setText] = useState("");
  const syllabusOf = useSyllabusOf();
  const hydrated = useHydrated();
  const stepOf = ({ squadId, glance }: ShownRow) =>
    (glance.current && findStep(syllabusOf(squadId), glance.current.stepId)?.name) ?? "";
  const wanted = text.trim().toLowerCase();
  const shown = sorted[sort](rows).filter(
    (row) =>
      kept[filter](row) &&
      [row.name, row.aircraftName ?? "", stepOf(row)].some((one) => one.toLowerCase().includes(wanted)),
  );
  const compact = rows.length > ROOMY;
  const drawn = hydrated ? shown : shown.slice(0, AT_ONCE);
  return (
    <>
      {compact && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center", mb: 1 }}>
          <TextField
            size="small"
            placeholder="Pilot, aircraft or step"
            value={text}
            onChange={({ target }) => setText(target.value)}
            slotProps={{ htmlInput: { "aria-label": "Filter pilots", maxLength: 60 } }}
            sx={{ width: 200, "& input": { py: 0.5 } }}
          />
          <PickOne label="Show" value={filter} options={filters} onPick={setFilter} />
          <SelectField
            size="small"
            label="Sort by"
            value={sort}
            onChange={({ target }) => setSort(target.value as Sort)}
            sx={{ minWidth: 190 }}
          >
            {sorts.map(([id, name]) => (
              <Option key={id} value={id}>
                {name}
              </Option>
            ))}
          </SelectField>
          {shown.length < rows.length && (
            <span role="status">
              {counted(shown.length, "pilot")} of <span className="num">{rows.length}</span>
            </span>
          )}
        </Box>
      )}
      <Box role="table" aria-label="Pilots, most attention first" aria-rowcount={shown.length + 1}>
        <Box
          role="row"
          sx={{
            display: { xs: "none", lg: "grid" },
            gridTemplateColumns: compact ? compactColumns : roomyColumns,
            gap: compact ? 1.5 : 2,
            pb: 0.5,
            fontSize: "0.82rem",
            color: "text.secondary",
          }}
        >
          {(compact ? compactHeads : roomyHeads).map((head) => (
            <Box
              component="span"
              role="columnheader"
              key={head}
              sx={head === "Next" ? { textAlign: "right" } : undefined}
            >
              {head}
            </Box>
          ))}
        </Box>
        {!compact ? (
          drawn.map((row) => <PilotRow key={row.id} row={row} />)
        ) : hydrated && drawn.length > VIRTUAL ? (
          <InSight rows={drawn} />
        ) : (
          drawn.map((row) => <CompactRow key={row.id} row={row} />)
        )}
      </Box>
    </>
  );
}

const roomyHeads = ["Pilot", "Step", "Evidence: last tries, clean rate, 90\u202f% interval", "Needs attention", "Next"];
const compactHeads = ["Pilot", "Depth", "Step", "Clean rate", "Needs attention", "Flew", "Next"];

/** Of very many rows those in sight. */
function InSight({ rows }: { rows: readonly ShownRow[] }) {
  const [scrollMargin, setMargin] = useState(0);
  const wide = useMediaQuery<Theme>((theme) => theme.breakpoints.up("lg"));
  // oxlint-disable-next-line react/incompatible-library -- what it gives is used at once and handed on to nothing
  const virtual = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => (wide ? LINE_PX.lg : LINE_PX.xs),
    overscan: 12,
    scrollMargin,
    getItemKey: (at) => rows[at].id,
  });
  return (
    <Box
      ref={(box: HTMLDivElement | null) => {
        if (box && box.offsetTop !== scrollMargin) setMargin(box.offsetTop);
      }}
      role="rowgroup"
      sx={{ position: "relative", height: virtual.getTotalSize() }}
    >
      {virtual.getVirtualItems().map(({ index, key, start }) => (
        <Box
          key={key}
          role="presentation"
          sx={{ position: "absolute", left: 0, right: 0, top: 0 }}
          style={{ transform: `translateY(${start - scrollMargin}px)` }}
        >
          <CompactRow row={rows[index]} />
        </Box>
      ))}
    </Box>
  );
}
