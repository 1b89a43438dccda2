"use client";

import type { ReactNode } from "react";
import { Box } from "./box";

/** A table of words and figures: the first column names the row. Wide ones scroll by themselves. */
export function PlainTable({
  label,
  head,
  rows,
}: {
  label: string;
  head: readonly string[];
  rows: readonly (readonly ReactNode[])[];
}) {
  return (
    <Box sx={{ overflowX: "auto" }} tabIndex={0} role="group" aria-label={label}>
      <Box
        component="table"
        sx={(theme) => ({
          width: "100%",
          borderCollapse: "collapse",
          "& th, & td": {
            textAlign: "left",
            verticalAlign: "baseline",
            py: 1,
            pr: 2,
            borderBottom: `1.5px solid ${theme.tokens.rule}`,
          },
          "& thead th": { fontSize: "0.8rem", fontWeight: 400, color: "text.secondary" },
          "& tbody th": { fontWeight: 600, fontSize: "0.95rem" },
        })}
      >
        <thead>
          <tr>
            {head.map((name, i) =>
              name === "" ? (
                <td key={i} />
              ) : (
                <th key={i} scope="col">
                  {name}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, ...cells], i) => (
            <tr key={i}>
              <th scope="row">{name}</th>
              {cells.map((cell, n) => (
                <Box
                  component="td"
                  key={n}
                  className={typeof cell === "string" && /\d/.test(cell) && cell.length < 12 ? "num" : undefined}
                  sx={{
                    whiteSpace: typeof cell === "string" && cell.length < 12 ? "nowrap" : undefined,
                    fontSize: typeof cell === "string" && cell.length >= 12 ? "0.88rem" : "1rem",
                  }}
                >
                  {cell}
                </Box>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
