import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { builtInSyllabus, requireSyllabus, type SyllabusDocument } from "@/syllabus";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { addSkill, addStep, moveStep, newKey, withoutStep, withStep } from "./change";
import type { SyllabusData } from "./load";
import { SyllabusScreen } from "./syllabus-screen";

/** Two skills, so that the screen is quickly drawn. */
const kept = builtInSyllabus.skills.filter(({ id }) => id === "ground" || id === "flip");
const known = new Set(kept.flatMap(({ steps }) => steps.map(({ id }) => id)));
const small: SyllabusDocument = {
  ...builtInSyllabus.document,
  skills: kept.map((skill) => ({
    ...skill,
    steps: skill.steps.map((step) => ({ ...step, needs: step.needs.filter((id) => known.has(id)) })),
  })),
};
const data = (change: Partial<SyllabusData> = {}): SyllabusData => ({
  squadId: "squad",
  squadName: "The squad",
  squadVersion: 1,
  squads: [{ id: "squad", name: "The squad" }],
  school: {},
  number: 0,
  document: small,
  older: null,
  versions: [],
  mayChange: true,
  ...change,
});
const choose = (name: string) => fireEvent.click(screen.getByRole("button", { name, pressed: false }));
const type = (label: string, value: string) => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const bar = () => within(screen.getByRole("region", { name: "Not saved yet" }));

beforeEach(() => localStorage.clear());

it("changes a step, says what is different, and saves it with its reason as the next version", async () => {
  const sent = fakeServer({ "save-syllabus": { status: 200, body: { ok: true, data: { number: 1 } } } });
  renderScreen(<SyllabusScreen data={data()} />);
  choose("Slow flip");
  type("of the last", "5");
  expect(bar().getByText(/Slow flip: pass mark 3 of the last 4 .* → 3 of the last 5/)).toBeVisible();
  expect(bar().getByRole("button", { name: "Save as version 1" })).toBeDisabled();
  type("Why it changes", "one more, to be sure");
  await userEvent.click(bar().getByRole("button", { name: "Save as version 1" }));
  await waitFor(() => expect(sent).toHaveLength(1));
  const { squadId, basedOn, reason, document } = sent[0].input as Record<string, unknown> & {
    document: SyllabusDocument;
  };
  expect({ squadId, basedOn, reason }).toEqual({ squadId: "squad", basedOn: 0, reason: "one more, to be sure" });
  expect(requireSyllabus(document)).toBe(document);
});

it("refuses what cannot be and says why; undo takes it back", async () => {
  renderScreen(<SyllabusScreen data={data()} />);
  choose("Slow flip");
  type("Clean", "9");
  expect(bar().getByRole("alert")).toHaveTextContent(
    "Slow flip: its pass mark cannot be judged. Pass mark, how many clean must be between 1 and 4 (now 9).",
  );
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  expect(screen.queryByRole("alert")).toBeNull();
});

it("names the circle when steps need one another", () => {
  renderScreen(<SyllabusScreen data={data()} />);
  fireEvent.mouseDown(screen.getByRole("combobox", { name: /Needs, signed off before/ }));
  fireEvent.click(screen.getByRole("option", { name: "Arm and disarm" }));
  // The open menu hides what is behind it.
  expect(screen.getByRole("alert", { hidden: true })).toHaveTextContent(
    "in a circle: Stick modes needs Arm and disarm needs Stick modes",
  );
});

it("keeps a draft over a reload, says when a version overtook it, and drops it", () => {
  renderScreen(<SyllabusScreen data={data()} />);
  type("Aim", "Something else.");
  document.body.innerHTML = "";
  renderScreen(<SyllabusScreen data={data({ number: 2 })} />);
  expect(bar().getByText(/Kept on this device/)).toBeVisible();
  expect(bar().getByText(/Version 2 was saved meanwhile/)).toBeVisible();
  fireEvent.click(bar().getByRole("button", { name: "Drop the changes" }));
  expect(screen.queryByRole("region", { name: "Not saved yet" })).toBeNull();
});

it.each([
  ["half.json", '{"format":"bathygon-syllabus","skills":[', /damaged or not a JSON file/],
  ["other.json", '{"format":"something"}', /not a syllabus/],
  [
    "torn.json",
    '{"format":"bathygon-syllabus","version":1,"stages":[],"skills":[{"id":"x"}]}',
    /missing or has the wrong type/,
  ],
])("refuses the file %s and changes nothing", async (name, content, message) => {
  renderScreen(<SyllabusScreen data={data()} />);
  await userEvent.upload(
    screen.getByLabelText("File with a syllabus"),
    // jsdom's files cannot be read as text.
    Object.assign(new File([content], name), { text: async () => content }),
  );
  expect(await screen.findByText(/Nothing was changed/)).toHaveTextContent(message);
  expect(screen.queryByRole("region", { name: "Not saved yet" })).toBeNull();
});

it("shows a pilot the same without anything to change", () => {
  renderScreen(<SyllabusScreen data={data({ mayChange: false })} />);
  choose("Slow flip");
  expect(screen.getByText(/3 of the last 4 clean, each direction on its own, in the field/)).toBeVisible();
  for (const name of [/Add a step/, /Undo/, /Read a file/, /Delete step/])
    expect(screen.queryByRole("button", { name })).toBeNull();
});

describe("changes of a document", () => {
  const before = builtInSyllabus.document;
  it("new skills and steps fit in as they come", () => {
    const withSkill = addSkill(before, 3, "own-skill-1");
    const whole = addStep(withSkill, "own-skill-1", newKey(withSkill, "step"));
    expect(requireSyllabus(whole)).toBe(whole);
  });

  it("a step left out is needed by nobody any more, and a step moved is still there once", () => {
    const without = withoutStep(before, "flip-slow");
    expect(requireSyllabus(without)).toBe(without);
    expect(JSON.stringify(without)).not.toContain('"flip-slow"]');
    const moved = moveStep(before, "hang", "flip", 1);
    expect(
      moved.skills
        .find(({ id }) => id === "flip")!
        .steps.map(({ id }) => id)
        .slice(0, 3),
    ).toEqual(["flip-slow", "hang", "flip-ease-quarter"]);
    expect(requireSyllabus(moved)).toBe(moved);
    expect(withStep(before, "hang", { name: "Wait" }).skills.flatMap(({ steps }) => steps).length).toBe(
      builtInSyllabus.steps.length,
    );
  });
});

it("opens at the step that was asked for, as the search does before a pilot is picked", () => {
  renderScreen(<SyllabusScreen data={data()} stepId="flip-slow" />);
  expect(screen.getByRole("heading", { name: "Slow flip", level: 2 })).toBeVisible();
});
