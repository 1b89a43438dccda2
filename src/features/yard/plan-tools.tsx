"use client";

import Add from "@mui/icons-material/Add";
import ExpandMore from "@mui/icons-material/ExpandMore";
import FitScreen from "@mui/icons-material/FitScreen";
import Redo from "@mui/icons-material/Redo";
import Remove from "@mui/icons-material/Remove";
import Undo from "@mui/icons-material/Undo";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import MenuItem from "@mui/material/MenuItem";
import { useState } from "react";
import { planKinds, planShapes, type PlanKind } from "@/core";
import { PickOne } from "@/ui/forms/pick-one";
import { Box } from "@/ui/layout/box";
import { planKindNames } from "@/words";
import { Menu } from "@/ui/layout/opened";
import type { Tool } from "./plan-map";

interface PlanToolsProps {
  readonly tool: Tool;
  readonly onTool: (tool: Tool) => void;
  /** Puts a thing of usual size into the middle, for who draws by keys. */
  readonly onPut: (kind: PlanKind) => void;
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
  readonly onZoom: (by: number) => void;
  readonly onFit: () => void;
  readonly mayChange: boolean;
}

const shapeWords = {
  area: "click its corners, twice at the last",
  line: "click along it, twice at the end",
  point: "click its place",
};

/** What the pointer does on the plan, and what is done to the whole of it. */
export function PlanTools({ tool, onTool, onPut, undo, redo, onZoom, onFit, mayChange }: PlanToolsProps) {
  const drawing = tool !== "choose" && tool !== "measure";
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1, mb: 1 }}>
      <PickOne
        label="What the pointer does"
        value={drawing ? "draw" : tool}
        options={[
          ["choose", mayChange ? "Choose and move" : "Choose"],
          ["measure", "Measure"],
        ]}
        onPick={(picked) => onTool(picked as Tool)}
      />
      {mayChange && (
        <>
          <KindMenu
            title={drawing ? `Draw: ${planKindNames[tool].toLowerCase()}` : "Draw"}
            on={drawing}
            onPick={onTool}
          />
          <KindMenu title="Put in the middle" on={false} onPick={onPut} />
          <IconButton aria-label="Undo" disabled={!undo} onClick={() => undo?.()}>
            <Undo />
          </IconButton>
          <IconButton aria-label="Redo" disabled={!redo} onClick={() => redo?.()}>
            <Redo />
          </IconButton>
        </>
      )}
      <IconButton aria-label="Nearer" onClick={() => onZoom(1.5)}>
        <Add />
      </IconButton>
      <IconButton aria-label="Farther" onClick={() => onZoom(1 / 1.5)}>
        <Remove />
      </IconButton>
      <IconButton aria-label="All of it" onClick={onFit}>
        <FitScreen />
      </IconButton>
      <Box role="status" sx={{ fontSize: "0.88rem", color: "text.secondary" }}>
        {drawing && `${planKindNames[tool]}: ${shapeWords[planShapes[tool]]}. Esc takes it back.`}
        {tool === "measure" && "Click along what you measure, twice at the end."}
      </Box>
    </Box>
  );
}

function KindMenu({ title, on, onPick }: { title: string; on: boolean; onPick: (kind: PlanKind) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        variant={on ? "contained" : "outlined"}
        size="small"
        endIcon={<ExpandMore />}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {title}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {planKinds.map((kind) => (
          <MenuItem
            key={kind}
            dense
            onClick={() => {
              setAnchor(null);
              onPick(kind);
            }}
          >
            {planKindNames[kind]}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
