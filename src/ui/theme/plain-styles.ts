import type { Theme } from "@mui/material/styles";
import { visuallyHidden } from "../layout/visually-hidden";

/**
 * How plain elements look of which a page has hundreds: a mark, a line of a list that is pressed. As components of the family each would be styled anew by
 * every visit. The colours stand as custom properties, named as in `tokens`, for what is drawn.
 */
export const plainStyles = ({ tokens }: Theme) =>
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
    ".handle": { padding: 4, cursor: "grab", touchAction: "none" },
  }) as const;
