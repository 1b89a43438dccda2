import { fireEvent, screen } from "@testing-library/react";
import { useState } from "react";
import { builtInSyllabus, requireSyllabus, type SyllabusDocument } from "@/syllabus";
import { renderScreen } from "@/ui/testing/render-screen";
import { addSkill } from "./change";
import { SkillEditor } from "./skill-editor";

const document = builtInSyllabus.document;
const flips = document.skills.find(({ id }) => id === "flip")!;

/** The editor of one skill on a document; what it comes to. */
function edit(skillId: string, from: SyllabusDocument = document) {
  const seen: { document: SyllabusDocument; gone: boolean } = { document: from, gone: false };
  function Editor() {
    const [now, setNow] = useState(from);
    const skill = now.skills.find(({ id }) => id === skillId);
    return skill ? (
      <SkillEditor
        document={now}
        skill={skill}
        onChange={(next) => {
          seen.document = next;
          setNow(next);
        }}
        onGone={() => (seen.gone = true)}
      />
    ) : null;
  }
  renderScreen(<Editor />);
  return seen;
}
const type = (label: string, value: string) => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const inSeen = ({ document: { skills } }: { document: SyllabusDocument }, id = "flip") =>
  skills.find((skill) => skill.id === id)!;

it("changes name, room and cautions of a skill, and nothing of the others", () => {
  const seen = edit("flip");
  type("Name of the skill", "Flips, all of them");
  type("Clear ground all round, m", "45");
  const cautions = screen.getByLabelText(/^Cautions/);
  fireEvent.change(cautions, { target: { value: `${flips.cautions.join("\n")}\nNobody beneath.` } });
  fireEvent.blur(cautions);
  expect(inSeen(seen)).toEqual({
    ...flips,
    name: "Flips, all of them",
    roomM: 45,
    cautions: [...flips.cautions, "Nobody beneath."],
  });
  const others = (all: SyllabusDocument) => all.skills.filter(({ id }) => id !== "flip");
  expect(others(seen.document)).toEqual(others(document));
  expect(requireSyllabus(seen.document)).toBe(seen.document);
});

it("an empty name is not taken, and a room that is no number is said so and not taken", () => {
  const seen = edit("flip");
  type("Name of the skill", "");
  expect(screen.getByLabelText("Name of the skill")).toHaveValue(flips.name);
  type("Clear ground all round, m", "wide");
  expect(screen.getByText("a number")).toBeVisible();
  expect(seen.document).toBe(document);
});

it("a skill goes behind the last of its new stage, so that skills stay in the order of their stages", () => {
  const seen = edit("flip");
  const stage = flips.stage + 1;
  fireEvent.mouseDown(screen.getByRole("combobox", { name: "Stage" }));
  fireEvent.click(screen.getByRole("option", { name: `${stage} ${document.stages[stage]}` }));
  const { skills } = seen.document;
  expect(skills.map((skill) => skill.stage)).toEqual(skills.map((skill) => skill.stage).sort((a, b) => a - b));
  expect(skills.filter((skill) => skill.stage === stage).at(-1)!.id).toBe("flip");
  expect(skills).toHaveLength(document.skills.length);
});

it("stages are renamed for the whole syllabus", () => {
  const seen = edit("flip");
  type("Stage 0", "On the bench");
  expect(seen.document.stages).toEqual(["On the bench", ...document.stages.slice(1)]);
});

it("only a skill without steps can be left out", () => {
  edit("flip");
  expect(screen.queryByRole("button", { name: "Delete skill" })).toBeNull();
});

it("a new skill without steps goes when it is left out", () => {
  const longer = addSkill(document, 4, "new-one");
  const seen = edit("new-one", longer);
  fireEvent.click(screen.getByRole("button", { name: "Delete skill" }));
  expect(seen.gone).toBe(true);
  expect(seen.document.skills.map(({ id }) => id)).toEqual(document.skills.map(({ id }) => id));
});
