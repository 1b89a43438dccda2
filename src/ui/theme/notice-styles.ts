import type { Theme } from "@mui/material/styles";

/** How `layout/notice.tsx` looks: as our headings and filled buttons. */
export const noticeStyles = ({ tokens, typography, shape }: Theme) =>
  ({
    ".notice": { maxWidth: 560, margin: "0 auto", padding: 32 },
    ".notice h1": { ...typography.h1, margin: 0 },
    ".notice p": { margin: "16px 0" },
    ".notice small": { color: tokens.inkSoft, fontSize: "0.85rem" },
    ".notice > a, .notice > button": {
      ...typography.button,
      display: "inline-flex",
      alignItems: "center",
      minHeight: 40,
      padding: "6px 16px",
      border: 0,
      borderRadius: shape.borderRadius,
      backgroundColor: tokens.ink,
      color: tokens.paper,
      textDecoration: "none",
      cursor: "pointer",
    },
  }) as const;
