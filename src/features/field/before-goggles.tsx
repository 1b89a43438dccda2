"use client";

import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Site } from "@/contract";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { quantityText } from "@/words";

const always = [
  "An observer stands beside the pilot in goggles and knows the bail-out.",
  "Nobody is inside the working area; soft ground underneath.",
  "The arm switch is known without looking; in trouble low down, disarm.",
  "Batteries are whole, charged and fixed; propellers are tight and the right way round.",
  "The wind is one that this pilot has flown in.",
] as const;

/** The checklist before goggles go on: what always holds, what this site asks for, and aircraft to be flown by eye first. */
export function BeforeGoggles({ site, checkFirst }: { site: Site | null; checkFirst: readonly string[] }) {
  const { units } = usePreferences();
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const lines = [
    ...checkFirst.map((name) => `By eye first, not in goggles: ${name}.`),
    ...always,
    ...(site
      ? [
          site.ceilingM === null
            ? "The local height limit has been asked for."
            : `Nobody flies above ${quantityText(site.ceilingM, "length", units, 0)} here.`,
          ...(site.hazards ? [`Hazards: ${site.hazards}`] : []),
          ...(site.rules ? [`Rules: ${site.rules}`] : []),
          ...(site.askWhom ? [`Asked: ${site.askWhom}`] : []),
        ]
      : ["Local height limits and rules have been asked for."]),
  ];
  const open = lines.filter((line) => !ticked.has(line)).length;
  const toggle = (line: string, on: boolean) =>
    setTicked((before) => {
      const next = new Set(before);
      if (on) next.add(line);
      else next.delete(line);
      return next;
    });
  return (
    <section aria-labelledby="before-goggles">
      <Typography variant="h2" id="before-goggles" sx={{ mt: 3 }}>
        Preflight{" "}
        <Box component="span" sx={{ fontWeight: 400, fontSize: "0.9rem" }}>
          {open === 0 ? (
            "■ all checked"
          ) : (
            <>
              <b className="num">{open}</b> left
            </>
          )}
        </Box>
      </Typography>
      {lines.map((line, i) => (
        <FormControlLabel
          key={line}
          sx={(theme) => ({
            display: "flex",
            minHeight: 56,
            alignItems: "center",
            color: i < checkFirst.length ? theme.tokens.buoyText : undefined,
            "& .MuiFormControlLabel-label": { fontWeight: i < checkFirst.length ? 650 : 400 },
          })}
          control={<Checkbox checked={ticked.has(line)} onChange={(_, on) => toggle(line, on)} />}
          label={line}
        />
      ))}
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
        This program advises; licensed instructors and local law decide.
      </Typography>
    </section>
  );
}
