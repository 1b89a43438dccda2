import type { ReactNode } from "react";
import type { Syllabus } from "@/syllabus";
import { Option, OptionHeading } from "../forms/options";

/** The steps of a syllabus under their skills, for a field that chooses one. A step and a skill may have the same key. */
export function stepOptions({ skills }: Pick<Syllabus, "skills">): ReactNode[] {
  return skills.flatMap((skill) => [
    <OptionHeading key={`skill ${skill.id}`}>{skill.name}</OptionHeading>,
    ...skill.steps.map((step) => (
      <Option key={step.id} value={step.id}>
        {step.name}
      </Option>
    )),
  ]);
}
