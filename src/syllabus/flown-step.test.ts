import { builtInSyllabus, syllabusFrom } from "./syllabus";
import { flownStep } from "./flown-step";

it("is the step of the squad's syllabus, or of the one that came with the program", () => {
  const { document } = builtInSyllabus;
  const [skill] = document.skills;
  const own = { ...document, skills: [{ ...skill, steps: [{ ...skill.steps[0], name: "Ours" }] }] };
  const renamed = syllabusFrom(own, 1);
  expect(flownStep(renamed, skill.steps[0].id)).toMatchObject({ name: "Ours", leftOut: false });
  expect(flownStep(renamed, "flip-slow")).toMatchObject({ name: "Slow flip", leftOut: false });
});

it("stands in for a step that no syllabus has, with nothing of another step that anybody would be judged or told by", () => {
  const step = flownStep(builtInSyllabus, "gone-since", ["left", "right", "left"]);
  expect(step).toMatchObject({
    id: "gone-since",
    name: "gone-since",
    leftOut: true,
    faults: [],
    wayOut: "",
    clean: "",
  });
  expect(step.directions).toEqual([
    { id: "left", name: "left" },
    { id: "right", name: "right" },
  ]);
  expect(step).toMatchObject({ measures: [], needs: [], drill: [], flownAs: null });
  // Before it was flown there is one direction to tap.
  expect(flownStep(builtInSyllabus, "gone-since").directions).toHaveLength(1);
});
