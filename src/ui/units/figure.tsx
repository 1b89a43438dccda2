"use client";

import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { Box } from "../layout/box";
import { usePreferences } from "../theme/preferences";
import { useWhy, type Why } from "../why/why";
import { formatQuantity, quantityText, type Quantity } from "@/words";

interface FigureProps {
  readonly label: string;
  readonly value: number | null;
  readonly quantity: Quantity;
  readonly digits?: number;
  readonly why: Why;
  readonly warn?: boolean;
}

/** A figure with its label and unit; opens the drawer that says where it comes from. */
export function Figure({ label, value, quantity, digits, why, warn }: FigureProps) {
  const { units } = usePreferences();
  const { openWhy } = useWhy();
  const shown = formatQuantity(value, quantity, units, digits);
  return (
    <ButtonBase
      onClick={() => openWhy({ ...why, title: label, result: `${shown.value} ${shown.unit}`.trim() })}
      aria-label={`${label}: ${shown.value} ${shown.unit}. Why this number`}
      sx={(theme) => ({
        display: "block",
        textAlign: "left",
        width: "100%",
        py: 1,
        borderBottom: `1.5px solid ${theme.tokens.rule}`,
        "&:hover .figure-label": { textDecoration: "underline dotted" },
      })}
    >
      <Typography
        className="figure-label"
        component="span"
        sx={{ display: "block", fontSize: "0.82rem", color: "text.secondary" }}
      >
        {label}
      </Typography>
      <Box
        component="span"
        sx={{ display: "flex", alignItems: "baseline", gap: 0.5, color: warn ? "error.main" : "text.primary" }}
      >
        <span className="num" style={{ fontSize: "1.75rem", lineHeight: 1.15 }}>
          {shown.value}
        </span>
        <span style={{ fontSize: "0.9rem" }}>{shown.unit}</span>
      </Box>
    </ButtonBase>
  );
}

/** A figure within a sentence. */
export function Num({ value, quantity, digits }: { value: number | null; quantity: Quantity; digits?: number }) {
  const { units } = usePreferences();
  return (
    <span className="num" style={{ whiteSpace: "nowrap" }}>
      {quantityText(value, quantity, units, digits)}
    </span>
  );
}
