import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Site } from "@/contract";
import { oneSquad } from "@/ui/testing/made-up";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { YardScreen } from "./yard-screen";

const site: Site = {
  id: "pans",
  squadId: "squad",
  name: "Evaporation pans",
  surface: "dry salt",
  roomM: 80,
  ceilingM: 60,
  elevationM: null,
  features: "",
  hazards: "open water",
  rules: "",
  askWhom: "the keeper",
  version: 3,
};

it("says what to do first, and sends a site with the squad it is for", async () => {
  const sent = fakeServer();
  renderScreen(<YardScreen data={{ sites: [], drawn: {}, squads: [oneSquad], mayChange: true }} />);
  expect(screen.getByText("No site yet")).toBeVisible();
  await userEvent.keyboard("a");
  await userEvent.type(screen.getByLabelText("Name of the site"), "Dyke");
  await userEvent.type(screen.getByLabelText("Clear ground all round, m"), "45");
  await userEvent.click(screen.getByRole("button", { name: "Add" }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]).toMatchObject({
    action: "add-site",
    input: { squadId: "squad", name: "Dyke", roomM: "45", ceilingM: "" },
  });
});

it("shows limit, hazards and whom to ask in the person's own units, and changes on the version that was read", async () => {
  const sent = fakeServer({
    "edit-site": {
      status: 422,
      body: { ok: false, message: "room is a number of metres", fields: { roomM: "room is a number of metres" } },
    },
  });
  renderScreen(<YardScreen data={{ sites: [site], drawn: { pans: 3 }, squads: [oneSquad], mayChange: true }} />, {
    preferences: { theme: "light", units: "imperial" },
  });
  const entry = within(screen.getByRole("region", { name: "Evaporation pans" }));
  expect(entry.getByText(/Not above/)).toHaveTextContent(/197\sft/);
  expect(entry.getByText(/open water/)).toBeVisible();
  expect(entry.queryByText(/Rules/)).toBeNull();
  await userEvent.click(entry.getByRole("button", { name: "Change" }));
  await userEvent.clear(screen.getByLabelText("Clear ground all round, ft"));
  await userEvent.type(screen.getByLabelText("Clear ground all round, ft"), "wide");
  await userEvent.click(screen.getByRole("button", { name: "Save" }));
  expect(await screen.findByText("room is a number of metres")).toBeVisible();
  expect(screen.getByLabelText("Clear ground all round, ft")).toHaveValue("wide");
  // What nobody touched goes back as it was, to the last place.
  expect(sent[0].input).toMatchObject({ id: "pans", version: 3, ceilingM: "60", elevationM: "" });
  await userEvent.clear(screen.getByLabelText("Clear ground all round, ft"));
  await userEvent.type(screen.getByLabelText("Clear ground all round, ft"), "300");
  await userEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent[1].input).toMatchObject({ roomM: "91.44" });
});

it("shows a pilot the same without anything to change", () => {
  renderScreen(<YardScreen data={{ sites: [site], drawn: { pans: 3 }, squads: [], mayChange: false }} />);
  expect(screen.getByText("Evaporation pans")).toBeVisible();
  expect(screen.queryByRole("button", { name: /Change|Add a site|Delete/ })).toBeNull();
});
