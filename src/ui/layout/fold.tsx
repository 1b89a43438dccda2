"use client";

import ExpandMore from "@mui/icons-material/ExpandMore";
import Accordion from "@mui/material/Accordion";
import AccordionDetails from "@mui/material/AccordionDetails";
import AccordionSummary from "@mui/material/AccordionSummary";
import Box from "@mui/material/Box";
import { useId, type ReactNode } from "react";

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
  return (
    <Accordion
      disableGutters
      square
      elevation={0}
      defaultExpanded={open}
      slotProps={{ heading: { component: `h${level}` }, transition: { unmountOnExit: true } }}
      sx={(theme) => ({
        bgcolor: "transparent",
        borderTop: `1.5px solid ${theme.tokens.rule}`,
        "&::before": { display: "none" },
      })}
    >
      <AccordionSummary
        id={`${id}title`}
        aria-controls={`${id}content`}
        expandIcon={<ExpandMore />}
        sx={{ px: 0, minHeight: 44, "& .MuiAccordionSummary-content": { my: 0.5, alignItems: "baseline", gap: 1 } }}
      >
        <Box component="span" sx={{ fontWeight: 650 }}>
          {title}
        </Box>
        <Box component="span" className="num" sx={{ fontSize: "0.85rem", color: "text.secondary", ml: "auto", mr: 1 }}>
          {beside}
        </Box>
      </AccordionSummary>
      <AccordionDetails sx={{ px: 0, pt: 0, pb: 1 }}>{children}</AccordionDetails>
    </Accordion>
  );
}
