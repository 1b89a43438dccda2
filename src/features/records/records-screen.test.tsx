import { usualRules } from "@/core";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import type { RecordsData } from "./load";
import { RecordsScreen } from "./records-screen";

const data: RecordsData = {
  trail: [
    {
      id: "t",
      atMs: 0,
      who: "Ann Pell",
      pilotId: "odo",
      pilotName: "Odo Fenn",
      done: { kind: "signed-off", step: "Slow flip" },
    },
  ],
  olderMs: 5,
  bin: [{ kind: "sign-off", id: "m1", pilotName: "Odo Fenn", what: "Slow flip", removedAtMs: 0 }],
  pilots: [
    { id: "odo", name: "Odo Fenn" },
    { id: "ida", name: "Ida Rook" },
  ],
  squads: [{ id: "pans", name: "Pans", version: 1, school: {}, rules: usualRules, coaches: [] }],
};
const show = () => renderScreen(<RecordsScreen data={data} />, { address: "/records" });

it("reads as sentences of who did what, and reads on", () => {
  show();
  expect(screen.getByText("Ann Pell").parentElement).toHaveTextContent("Ann Pell signed off slow flip for Odo Fenn");
  expect(screen.getByRole("link", { name: "Older" })).toHaveAttribute("href", "/records?before=5");
});

it("brings back what lies in the bin", async () => {
  const sent = fakeServer();
  show();
  await userEvent.click(
    within(screen.getByRole("region", { name: "Bin" })).getByRole("button", { name: "Bring back" }),
  );
  expect(sent).toEqual([{ action: "restore-sign-off", input: { id: "m1" } }]);
});

it("offers the files of the pilot chosen", async () => {
  show();
  fireEvent.mouseDown(screen.getByRole("combobox", { name: "Whose" }));
  await userEvent.click(screen.getByRole("option", { name: "Ida Rook" }));
  expect(screen.getByRole("link", { name: "Everything, JSON" })).toHaveAttribute("href", "/records/ida/record.json");
  expect(screen.getByRole("link", { name: "Notes, CSV" })).toHaveAttribute("href", "/records/ida/notes.csv");
});

it("erases only for the name typed, after saying what goes", async () => {
  const sent = fakeServer();
  show();
  await userEvent.click(screen.getByRole("button", { name: "Erase Odo Fenn for good" }));
  expect(await screen.findByText(/cannot be brought back/)).toBeVisible();
  await userEvent.type(screen.getByLabelText("Type the name: Odo Fenn"), "Odo Fenn");
  await userEvent.click(screen.getByRole("button", { name: "Erase for good" }));
  await waitFor(() => expect(sent).toEqual([{ action: "erase-pilot", input: { id: "odo", name: "Odo Fenn" } }]));
});

describe("bringing a record in", () => {
  // jsdom's files cannot be read as text.
  const file = (text: string, name: string) => Object.assign(new File([text], name), { text: async () => text });
  const choose = (chosen: File) =>
    userEvent.upload(screen.getByLabelText("File with a pilot's record"), chosen, { applyAccept: false });

  it("looks at kind and size before reading, and at the text before sending", async () => {
    const sent = fakeServer();
    show();
    await choose(file("x", "photo.png"));
    expect(await screen.findByText("photo.png is not a JSON file.")).toBeVisible();
    const huge = file("{}", "huge.json");
    Object.defineProperty(huge, "size", { value: 100 * 1024 * 1024 });
    await choose(huge);
    expect(await screen.findByText("huge.json is larger than 16 MB; nothing of its kind is.")).toBeVisible();
    await choose(file('{"half":', "half.json"));
    expect(await screen.findByText(/half.json is damaged/)).toBeVisible();
    expect(sent).toEqual([]);
  });

  it("sends what it read and says what came of it", async () => {
    const sent = fakeServer({ "import-record": { status: 200, body: { ok: true, data: { added: 12 } } } });
    show();
    await choose(file('{"format":"x"}', "odo.json"));
    expect(await screen.findByText("12 entries imported.")).toBeVisible();
    expect(sent[0]).toEqual({ action: "import-record", input: { squadId: "pans", record: { format: "x" } } });
  });

  it("shows the place that the server will not take", async () => {
    const message = "attempts.3.outcome must be equal to one of the allowed values.";
    fakeServer({ "import-record": { status: 422, body: { ok: false, message, fields: {} } } });
    show();
    await choose(file("{}", "odo.json"));
    expect(await screen.findByText(`Nothing was changed. ${message}`)).toBeVisible();
  });
});
