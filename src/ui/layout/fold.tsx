"use client";

import ExpandMore from "@mui/icons-material/ExpandMore";
import ButtonBase from "@mui/material/ButtonBase";
import { useId, useState, type ReactNode } from "react";
import { Box } from "./box";

/** A part of a column that folds away under its title; what matters of it stands beside the title. */
export function Fold({
  title,
  beside,
  open = false,
  level = 3,
  children,
}: {
  title: string;
  beside?: ReactNode;
  open?: boolean;
  /** Of its title among the headings of the page. */
  level?: 2 | 3;
  children: ReactNode;
}) {
  const id = useId();
  const [unfolded, setUnfolded] = useState(open);
  return (
    <Box sx={{ borderTop: "1.5px solid", borderColor: "divider" }}>
      <Box component={`h${level}` as const} sx={{ m: 0, font: "inherit" }}>
        <ButtonBase
          id={`${id}title`}
          aria-expanded={unfolded}
          aria-controls={unfolded ? `${id}content` : undefined}
          onClick={() => setUnfolded(!unfolded)}
          sx={{ width: 1, minHeight: 44, gap: 1, font: "inherit", textAlign: "left" }}
        >
          <Box component="span" sx={{ fontWeight: 650 }}>
            {title}
          </Box>
          <Box component="span" className="num" sx={{ fontSize: "0.85rem", color: "text.secondary", ml: "auto" }}>
            {beside}
          </Box>
          <ExpandMore sx={{ transform: unfolded ? "rotate(180deg)" : undefined }} aria-hidden />
        </ButtonBase>
      </Box>
      {unfolded && (
        <Box id={`${id}content`} role="region" aria-labelledby={`${id}title`} sx={{ pb: 1 }}>
          {children}
        </Box>
      )}
    </Box>
  );
}
