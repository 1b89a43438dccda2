import type { Theme } from "@mui/material/styles";
import { visuallyHidden } from "../layout/visually-hidden";

/**
 * How plain elements look of which a page has hundreds: a mark, a line of a list that is pressed. As components of the family each would be styled anew by
 * every visit. The colours stand as custom properties, named as in `tokens`, for what is drawn.
 */
export const plainStyles = ({ themeName, tokens }: Theme) =>
  ({
    ":root": Object.fromEntries(
      Object.entries(tokens).flatMap(([name, colour]) => (typeof colour === "string" ? [[`--${name}`, colour]] : [])),
    ),
    ".mark": { display: "inline-block", verticalAlign: "-2px", flexShrink: 0 },
    ".outcome-mark": { verticalAlign: "middle", flexShrink: 0 },
    ".outcomes": { display: "inline-flex", verticalAlign: "-2px", gap: 4, alignItems: "center" },
    ".together": { whiteSpace: "nowrap" },
    ".unseen": visuallyHidden,
    ".plain-button": {
      display: "inline-flex",
      alignItems: "center",
      margin: 0,
      padding: 0,
      border: 0,
      background: "none",
      font: "inherit",
      color: "inherit",
      textAlign: "left",
      cursor: "pointer",
    },
    ".notch": {
      position: "absolute",
      inset: "-5px 0 0",
      margin: 0,
      padding: "0 8px",
      border: `1.5px solid ${themeName === "light" ? "#7C8590" : tokens.rule}`,
      borderRadius: "inherit",
      overflow: "hidden",
      minWidth: "0%",
      textAlign: "left",
      pointerEvents: "none",
      "& legend": { width: "auto", padding: 0, overflow: "hidden", lineHeight: "11px" },
      "& .open, & .shut": {
        display: "block",
        height: 11,
        fontSize: "0.75em",
        visibility: "hidden",
        whiteSpace: "nowrap",
        maxWidth: 0.01,
        transition: "max-width 50ms cubic-bezier(0, 0, 0.2, 1)",
      },
      "& .open": { maxWidth: "100%", transition: "max-width 100ms cubic-bezier(0, 0, 0.2, 1) 50ms" },
      "& span": { padding: "0 5px", display: "inline-block", opacity: 0, visibility: "visible" },
    },
    // Told by the component family from the start of an animation.
    "@keyframes mui-auto-fill": { from: { display: "block" } },
    "@keyframes mui-auto-fill-cancel": { from: { display: "block" } },
    ".handle": { padding: 4, cursor: "grab", touchAction: "none" },
  }) as const;
