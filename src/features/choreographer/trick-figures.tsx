"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { withParameterSet, type Recipe } from "@/core";
import { ParameterSlider } from "@/ui/flight/parameter-slider";
import { Box } from "@/ui/layout/box";

/** The figures of the trick that its phases refer to: set by hand, or worked out for each aircraft. */
export function TrickFigures({
  recipe,
  baseSolveFor,
  onChange,
}: {
  recipe: Recipe;
  /** What the way it was begun from works out. */
  baseSolveFor: Recipe["solveFor"];
  onChange: (recipe: Recipe, gesture?: string) => void;
}) {
  const entries = Object.entries(recipe.parameters);
  const isWorked = (name: string) => recipe.solveFor.some(({ param }) => param === name);
  const workOut = (name: string) =>
    onChange({ ...recipe, solveFor: baseSolveFor.filter(({ param }) => param === name || isWorked(param)) });
  if (entries.length === 0) return null;
  return (
    <section aria-labelledby="trick-figures">
      <Typography variant="h2" id="trick-figures" sx={{ mt: 1.5 }}>
        Its figures
      </Typography>
      <Typography sx={{ fontSize: "0.8rem", color: "text.secondary", mb: 0.5 }}>
        Marked ◆: worked out for each aircraft. What is moved by hand stays as it is set.
      </Typography>
      {entries.map(([name, { label, unit, value, min, max }]) => (
        <Box key={name}>
          <ParameterSlider
            name={name}
            label={label}
            unit={unit}
            value={value}
            min={min}
            max={max}
            worked={isWorked(name)}
            onSet={(_, next) => onChange(withParameterSet(recipe, name, next), `figure ${name}`)}
          />
          {!isWorked(name) && baseSolveFor.some(({ param }) => param === name) && (
            <Button size="small" sx={{ minHeight: 24, p: 0 }} onClick={() => workOut(name)}>
              Work it out again
            </Button>
          )}
        </Box>
      ))}
    </section>
  );
}
