"use client";

import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import type { Join, Joint, LineItem } from "@/core";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { joinWords, percent, quantityText, refusedWords, type UnitSystem } from "@/words";
import { usualJoins } from "./edits";
import type { Tile } from "./repertoire";
import { useFollowers } from "./use-followers";
import type { FlownWith } from "./line-worker";

interface AddPanelProps {
  readonly tiles: readonly Tile[];
  readonly after: Tile["recipe"] | null;
  readonly afterName: string | null;
  readonly anchorIds: readonly string[];
  readonly request: FlownWith;
  readonly onAdd: (items: readonly LineItem[]) => void;
}

/** Tricks and joins to put in; those that can follow what stands before are lit, with what it takes. */
export function AddPanel({ tiles, after, afterName, anchorIds, request, onAdd }: AddPanelProps) {
  const { units } = usePreferences();
  const [filter, setFilter] = useState("");
  const [all, setAll] = useState(false);
  const own = useMemo(() => tiles.filter(({ standing }) => standing !== "new"), [tiles]);
  const offered = all || own.length === 0 ? tiles : own;
  const shown = useMemo(
    () => offered.filter(({ name }) => name.toLowerCase().includes(filter.trim().toLowerCase())),
    [offered, filter],
  );
  const { joints, share } = useFollowers(after, own.length > 0 ? own : tiles, request);
  const joins = (Object.keys(usualJoins) as Join["kind"][]).filter((kind) => kind !== "round" || anchorIds.length > 0);
  return (
    <Box component="section" aria-labelledby="add">
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 1.5, mb: 0.5 }}>
        <Typography variant="h2" id="add">
          {afterName === null ? "Begin with" : `Add after ${afterName}`}
        </Typography>
        {after !== null && share < 1 && (
          <Typography sx={{ fontSize: "0.85rem", color: "text.secondary" }} role="status">
            working out what can follow, {percent(share)}
          </Typography>
        )}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 1 }}>
        {joins.map((kind) => {
          const join = usualJoins[kind](anchorIds[0] ?? "");
          return (
            <Button
              key={kind}
              size="small"
              variant="outlined"
              sx={{ borderStyle: "dashed" }}
              onClick={() => onAdd([{ kind: "join", join }])}
            >
              {joinWords(join, units)}
            </Button>
          );
        })}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1, mb: 1 }}>
        <TextField
          size="small"
          label="Find a trick"
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
          sx={{ width: 220 }}
        />
        {own.length > 0 && (
          <Button size="small" onClick={() => setAll((was) => !was)}>
            {all ? "Only what the pilot has or is at" : `All ${tiles.length} tricks`}
          </Button>
        )}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        {shown.map((tile) => (
          <TileButton
            key={tile.key}
            tile={tile}
            joint={after === null ? null : (joints.get(tile.key) ?? null)}
            units={units}
            onAdd={(joined) =>
              onAdd([
                ...joined.map((join) => ({ kind: "join", join }) as const),
                { kind: "trick", recipe: tile.recipe },
              ])
            }
          />
        ))}
        {shown.length === 0 && <Typography>No trick of that name.</Typography>}
      </Box>
    </Box>
  );
}

function TileButton({
  tile,
  joint,
  units,
  onAdd,
}: {
  tile: Tile;
  joint: Joint | Error | null;
  units: UnitSystem;
  onAdd: (joins: readonly Join[]) => void;
}) {
  const says =
    joint instanceof Error ? `cannot be flown: ${refusedWords(joint, units)}` : joint && followsWords(joint, units);
  const follows = joint === null || joint instanceof Error || joint.kind === "never" ? null : joint;
  const never = joint !== null && follows === null;
  return (
    <ButtonBase
      onClick={() => onAdd(follows?.kind === "bridge" ? follows.joins : [])}
      sx={(theme) => ({
        display: "block",
        textAlign: "left",
        px: 1,
        py: 0.5,
        minHeight: 40,
        fontSize: "0.88rem",
        lineHeight: 1.25,
        border: `1.5px ${never ? "dotted" : "solid"} ${follows ? theme.tokens.shoal : theme.tokens.rule}`,
        borderLeft: `5px solid ${follows ? theme.tokens.shoal : theme.tokens.rule}`,
        bgcolor: follows?.kind === "straight" ? theme.tokens.depths[1] : "transparent",
        color: never ? "text.secondary" : "text.primary",
      })}
    >
      <Box component="span" sx={{ display: "block", fontWeight: 600 }}>
        {tile.name}
        {tile.standing === "learning" && <span style={{ fontWeight: 400 }}> · learning</span>}
        {tile.standing === "new" && <span style={{ fontWeight: 400 }}> · new</span>}
      </Box>
      {says && (
        <Box component="span" sx={{ display: "block", fontSize: "0.78rem", color: "text.secondary" }}>
          {says}
        </Box>
      )}
    </ButtonBase>
  );
}

/** How one trick can follow another, in a few words. */
function followsWords(joint: Joint, units: UnitSystem): string {
  switch (joint.kind) {
    case "straight":
      return "straight in";
    case "bridge":
      return `${joint.joins.map((join) => joinWords(join, units)).join(", ")} · ${quantityText(joint.s, "time", units, 1)}`;
    case "never":
      switch (joint.why) {
        case "first":
          return "what stands before does not end clean by itself";
        case "second":
          return "does not end clean by itself with this aircraft";
        case "joint":
          return `needs ${quantityText(joint.wantsSpeedMps, "speed", units, 0)}, is left at ${quantityText(joint.exitSpeedMps, "speed", units, 0)} and ${quantityText(joint.exitHeightM, "length", units, 0)}`;
      }
  }
}
