import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { recipes } from "@/core";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { FilePart } from "./file-part";
import { LONGEST_VARIANT_BYTES } from "./limits";
import { choreographerData } from "./testing/made-up-choreographer";

const recipe = recipes["flip-slow-back"];
const data = choreographerData();
const document = {
  format: "bathygon-trick-variant",
  version: 1,
  name: "Long punch",
  trick: "flip-slow",
  instead: "usual",
  direction: "front",
  bothWays: true,
  recipe: { ...recipe, label: "Read" },
};
const change = jest.fn();
const show = (of = data) =>
  renderScreen(
    <FilePart data={of} recipe={recipe} draft={{ document: { direction: "back", recipe }, change } as never} />,
  );
const choose = (name: string, content: string) =>
  userEvent.upload(
    screen.getByLabelText("File with a way to fly the trick"),
    // jsdom reads no files by itself.
    Object.assign(new File([content], name), { text: async () => content }),
    { applyAccept: false },
  );

beforeEach(() => change.mockClear());

it("a file that the server takes is a change like any other", async () => {
  const sent = fakeServer({ "check-variant": { status: 200, body: { ok: true, data: { document } } } });
  show();
  await choose("long.json", JSON.stringify(document));
  await waitFor(() => expect(change).toHaveBeenCalledWith({ direction: "front", recipe: document.recipe }));
  expect(sent).toEqual([{ action: "check-variant", input: { document } }]);
  expect(screen.queryByRole("alert")).toBeNull();
});

it.each([
  ["that is no JSON file", "long.txt", "{}", /long\.txt is not a JSON file/],
  ["that is cut off", "long.json", '{"format": "bath', /long\.json is damaged/],
  ["that is too large", "long.json", " ".repeat(LONGEST_VARIANT_BYTES + 1), /long\.json is larger than/],
])("a file %s is refused here, before anything is sent", async (_, name, content, message) => {
  const sent = fakeServer();
  show();
  await choose(name, content);
  expect(await screen.findByRole("alert")).toHaveTextContent(/^Nothing was changed\. /);
  expect(screen.getByRole("alert")).toHaveTextContent(message);
  expect(sent).toEqual([]);
  expect(change).not.toHaveBeenCalled();
});

it("what the server refuses is said with the name of the file; a right one takes the message away", async () => {
  const refused = { status: 422, body: { ok: false, message: "recipe.phases must be there.", fields: {} } };
  fakeServer({ "check-variant": refused });
  show();
  await choose("long.json", "{}");
  expect(await screen.findByRole("alert")).toHaveTextContent("long.json: recipe.phases must be there.");
  fakeServer({ "check-variant": { status: 200, body: { ok: true, data: { document } } } });
  await choose("long.json", JSON.stringify(document));
  await waitFor(() => expect(screen.queryByRole("alert")).toBeNull());
});

it("a way to fly another trick is not laid over this one: it says which, and where to read it", async () => {
  const other = { ...document, trick: "roll-pure" };
  fakeServer({ "check-variant": { status: 200, body: { ok: true, data: { document: other } } } });
  show();
  await choose("roll.json", JSON.stringify(other));
  expect(await screen.findByRole("alert")).toHaveTextContent(
    /roll\.json is a way to fly Pure roll\. Open that trick first, then read it there\./,
  );
  expect(change).not.toHaveBeenCalled();
});

it("goes out as a file by its name, which reads back as it was", async () => {
  const made: Blob[] = [];
  const create = jest.fn((blob: Blob) => (made.push(blob), "blob:made"));
  Object.assign(URL, { createObjectURL: create, revokeObjectURL: jest.fn() });
  const names: string[] = [];
  const click = jest.spyOn(HTMLAnchorElement.prototype, "click").mockImplementation(function (this: HTMLAnchorElement) {
    names.push(this.download);
  });
  show({
    ...data,
    openId: "own",
    own: [{ ...document, id: "own", squadId: "squad", pilotIds: [], version: 1 } as never],
  });
  await userEvent.click(screen.getByRole("button", { name: "Export file" }));
  expect(names).toEqual(["trick-long-punch.json"]);
  const text = await new Promise<string>((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.readAsText(made[0]);
  });
  expect(JSON.parse(text)).toMatchObject({
    format: "bathygon-trick-variant",
    name: "Long punch",
    trick: "flip-slow",
    direction: "back",
  });
  click.mockRestore();
});
