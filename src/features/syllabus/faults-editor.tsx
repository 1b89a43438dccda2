"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { cueFor, type Fault, type Step } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { TextLine } from "./fields";

/** Usual faults: what the picture shows, and what to do; one cue, or one for each direction. */
export function FaultsEditor({ step, onChange }: { step: Step; onChange: (faults: readonly Fault[]) => void }) {
  const { faults, directions } = step;
  const set = (at: number, change: Partial<Fault>) =>
    onChange(faults.map((fault, i) => (i === at ? { ...fault, ...change } : fault)));
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Typography component="h3" sx={{ fontWeight: 700 }}>
        Usual faults
      </Typography>
      {faults.map((fault, at) => (
        <Box
          key={fault.id}
          sx={(theme) => ({ display: "grid", gap: 1, pl: 1, borderLeft: `3px solid ${theme.tokens.ochre}` })}
        >
          <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 2fr" }, gap: 1 }}>
            <TextLine
              label="Button label"
              value={fault.short}
              longest={30}
              onChange={(short) => short && set(at, { short })}
            />
            <TextLine
              label="The picture shows"
              value={fault.sees}
              longest={200}
              onChange={(sees) => sees && set(at, { sees })}
            />
          </Box>
          {typeof fault.cue === "string" ? (
            <TextLine label="What to do" value={fault.cue} longest={400} onChange={(cue) => cue && set(at, { cue })} />
          ) : (
            directions.map(({ id, name }) => (
              <TextLine
                key={id}
                label={`What to do, ${name}`}
                value={cueFor(fault, id)}
                longest={400}
                onChange={(cue) => cue && set(at, { cue: { ...(fault.cue as Record<string, string>), [id]: cue } })}
              />
            ))
          )}
          <Box sx={{ display: "flex", gap: 1 }}>
            {directions.length > 1 && (
              <Button
                size="small"
                onClick={() =>
                  set(at, {
                    cue:
                      typeof fault.cue === "string"
                        ? Object.fromEntries(directions.map(({ id }) => [id, fault.cue as string]))
                        : Object.values(fault.cue)[0],
                  })
                }
              >
                {typeof fault.cue === "string" ? "A cue for each direction" : "One cue for all"}
              </Button>
            )}
            <Button size="small" onClick={() => onChange(faults.filter((_, i) => i !== at))}>
              Delete fault
            </Button>
          </Box>
        </Box>
      ))}
      {faults.length < 10 && (
        <Button
          size="small"
          sx={{ justifySelf: "start" }}
          onClick={() =>
            onChange([
              ...faults,
              { id: freeKey(faults), short: "new fault", sees: "What the picture shows", cue: "What to do about it." },
            ])
          }
        >
          Add a fault
        </Button>
      )}
    </Box>
  );
}

function freeKey(faults: readonly Fault[]): string {
  for (let n = 1; ; n++) if (!faults.some(({ id }) => id === `own-fault-${n}`)) return `own-fault-${n}`;
}
