import ListSubheader from "@mui/material/ListSubheader";
import MenuItem from "@mui/material/MenuItem";
import type { ReactNode } from "react";
import type { Syllabus } from "@/syllabus";

/** The steps of a syllabus under their skills, for a field that chooses one. A step and a skill may have the same key. */
export function stepOptions({ skills }: Pick<Syllabus, "skills">): ReactNode[] {
  return skills.flatMap((skill) => [
    <ListSubheader key={`skill ${skill.id}`}>{skill.name}</ListSubheader>,
    ...skill.steps.map((step) => (
      <MenuItem key={step.id} value={step.id}>
        {step.name}
      </MenuItem>
    )),
  ]);
}
