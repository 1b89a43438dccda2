"use client";

import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import List from "@mui/material/List";
import ListItemButton from "@mui/material/ListItemButton";
import ListSubheader from "@mui/material/ListSubheader";
import { useState } from "react";
import type { PlannedBlock } from "@/contract";
import { stepName } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { blockNames } from "@/words";

/** What the pilot flies in this session, in order; a tap goes to it, another step can be taken up at once. */
export function BlockSwitch({
  blocks,
  at,
  onChoose,
  onAdd,
}: {
  blocks: readonly PlannedBlock[];
  at: number;
  onChoose: (index: number) => void;
  onAdd: (stepId: string) => void;
}) {
  const syllabus = useSyllabus();
  const [adding, setAdding] = useState(false);
  return (
    <Box role="group" aria-label="Plan of this pilot" sx={{ display: "flex", gap: 1, overflowX: "auto", pb: 0.5 }}>
      {blocks.map(({ kind, stepId, minutes }, i) => (
        <ButtonBase
          // Blocks have nothing else to tell them apart by: the same step may come twice.
          key={i}
          aria-pressed={i === at}
          onClick={() => onChoose(i)}
          sx={(theme) => ({
            flexShrink: 0,
            display: "block",
            textAlign: "left",
            px: 1,
            py: 0.5,
            minHeight: 56,
            fontSize: "0.85rem",
            lineHeight: 1.25,
            border: `2px solid ${i === at ? theme.tokens.ink : theme.tokens.rule}`,
            borderRadius: "3px",
          })}
        >
          <Box component="span" sx={{ display: "block", fontSize: "0.75rem", color: "text.secondary" }}>
            {blockNames[kind]}
            {minutes > 0 && (
              <>
                {" "}
                <span className="num">{minutes}</span> min
              </>
            )}
          </Box>
          <b>{stepId ? stepName(syllabus, stepId) : "Free flying"}</b>
        </ButtonBase>
      ))}
      <Button size="small" onClick={() => setAdding(true)} sx={{ flexShrink: 0, minHeight: 56 }}>
        Another step
      </Button>
      <Dialog open={adding} onClose={() => setAdding(false)} aria-labelledby="another-step" fullWidth maxWidth="xs">
        <DialogTitle id="another-step">Fly another step now</DialogTitle>
        <DialogContent>
          <List dense disablePadding>
            {syllabus.skills.flatMap((skill) => [
              <ListSubheader key={`skill ${skill.id}`}>{skill.name}</ListSubheader>,
              ...skill.steps.map((step) => (
                <ListItemButton
                  key={step.id}
                  sx={{ minHeight: 56 }}
                  onClick={() => {
                    setAdding(false);
                    onAdd(step.id);
                  }}
                >
                  {step.name}
                </ListItemButton>
              )),
            ])}
          </List>
        </DialogContent>
      </Dialog>
    </Box>
  );
}
