import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { enqueue, outboxNow } from "@/ui/outbox/outbox";
import { freshDevice } from "@/ui/testing/fresh-device";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { FieldScreen } from "./field-screen";
import { keepOnDevice } from "./packet";
import { tallyData } from "@/contract/testing/made-up-pilot";

const tally = tallyData();
const keep = () => keepOnDevice(tally);
const item = (sessionId: string) =>
  ({ key: sessionId, accountId: "account", sessionId, action: "undo-attempt", input: { id: "a" } }) as const;

beforeEach(async () => {
  fakeServer();
  await freshDevice();
});

it("lists the sessions on this device, and opens one without asking the server for it", async () => {
  await keep();
  const list = renderScreen(<FieldScreen />, { address: "/field" });
  expect(await screen.findByText("▲ still open")).toBeVisible();
  expect(screen.getByText(/Odo Fenn/)).toBeVisible();
  list.unmount();
  fakeServer({ "log-attempt": { status: 503, body: { ok: false, message: "away", fields: {} } } });
  renderScreen(<FieldScreen />, { address: "/field?session=s" });
  await userEvent.click(await screen.findByRole("button", { name: "Clean, 0 so far" }));
  expect(screen.getByRole("button", { name: "Clean, 1 so far" })).toBeVisible();
  expect(await screen.findByText(/1 waiting on this device, safe/)).toBeVisible();
});

it("says when nothing is kept, and when the session asked for is not on this device", async () => {
  const empty = renderScreen(<FieldScreen />, { address: "/field" });
  expect(await screen.findByText(/None yet: open a session/)).toBeVisible();
  empty.unmount();
  renderScreen(<FieldScreen />, { address: "/field?session=elsewhere" });
  expect(await screen.findByText(/That session is not on this device/)).toBeVisible();
});

it("shows what was refused of any session: to be put right where it is kept, else to be sent again or dropped", async () => {
  fakeServer({ "undo-attempt": { status: 404, body: { ok: false, message: "That attempt is gone.", fields: {} } } });
  await keep();
  await enqueue(item("s"));
  await enqueue(item("gone"));
  renderScreen(<FieldScreen />, { address: "/field" });
  await waitFor(() => expect(screen.getAllByText(/Not taken: That attempt is gone/)).toHaveLength(2));
  expect(await screen.findByRole("link", { name: "Fix it in its session" })).toHaveAttribute(
    "href",
    "/field?session=s",
  );
  await userEvent.click(screen.getByRole("button", { name: "Drop it" }));
  await waitFor(() => expect(outboxNow().items.map(({ sessionId }) => sessionId)).toEqual(["s"]));
});
