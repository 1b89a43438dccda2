"use client";

import Typography from "@mui/material/Typography";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { markWords, quantityText } from "@/words";

import { cueFor, schoolQuestion, type Step, type SyllabusDocument } from "@/syllabus";

const routeNames = new Map(schoolQuestion("route").sides.map(({ id, name }) => [id, name]));

/** A step to be read. */
export function StepReader({ document, step }: { document: SyllabusDocument; step: Step }) {
  const { units } = usePreferences();
  const skill = document.skills.find(({ steps }) => steps.some(({ id }) => id === step.id))!;
  const names = new Map(document.skills.flatMap(({ steps }) => steps.map(({ id, name }) => [id, name])));
  const lines: readonly (readonly [string, string])[] = [
    ["Pass mark", `${markWords(step.mark)}. Clean: ${step.clean}.`],
    ["Bail-out", step.wayOut],
    ["Settings", step.settings],
    ["Needs", step.needs.map((id) => names.get(id) ?? id).join(", ")],
    ["Routes", step.routes?.map((id) => routeNames.get(id) ?? id).join(", ") ?? ""],
    [
      "Room",
      `${quantityText(skill.roomM, "length", units, 0)} of clear ground all round${step.heightM === null ? "" : `, begin ${quantityText(step.heightM, "length", units)} up`}`,
    ],
  ];
  return (
    <Box sx={{ maxWidth: 760 }}>
      <Typography variant="h2">{step.name}</Typography>
      <Typography sx={{ my: 0.5 }}>{step.aim}</Typography>
      <Box component="ol" sx={{ pl: 2.5, my: 1 }}>
        {step.drill.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </Box>
      {lines
        .filter(([, text]) => text !== "")
        .map(([word, text]) => (
          <Typography key={word} sx={{ mb: 0.5 }}>
            <b>{word}.</b> {text}
          </Typography>
        ))}
      {step.faults.map((fault) => (
        <Typography key={fault.id} sx={{ mb: 0.5 }}>
          <b>{fault.sees}.</b>{" "}
          {typeof fault.cue === "string"
            ? fault.cue
            : step.directions.map(({ id, name }) => `${name}: ${cueFor(fault, id)}`).join(" ")}
        </Typography>
      ))}
      <Box component="ul" sx={(theme) => ({ pl: 2, fontSize: "0.85rem", color: theme.tokens.buoyText })}>
        {skill.cautions.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </Box>
    </Box>
  );
}
