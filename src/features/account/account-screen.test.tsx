import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import { AccountScreen } from "./account-screen";
import { BeginScreen, SignInScreen } from "./entrance";

const signIn = (id: string, device: string) => ({ id, device, createdAtMs: 0, seenAtMs: 86_400_000 });
const data = {
  name: "Ann Pell",
  thisSignInId: "here",
  coaches: true,
  secondFactor: null,
  signIns: [signIn("here", "a computer"), signIn("there", "a phone"), signIn("old", "a tablet")],
};

it("shows the devices signed in, marks this one, and ends another", async () => {
  const sent = fakeServer();
  renderScreen(<AccountScreen data={data} />);
  expect(screen.getByText("■ this one")).toBeVisible();
  expect(screen.getByText("a phone")).toBeVisible();
  await userEvent.click(screen.getAllByRole("button", { name: "Sign it out" })[0]);
  expect(sent[0]).toEqual({ action: "end-sign-in", input: { id: "there" } });
});

it("changes the password without showing it, and says at the field what is wrong", async () => {
  fakeServer({
    "change-password": {
      status: 422,
      body: { ok: false, message: "x", fields: { newPassword: "This password is too common." } },
    },
  });
  renderScreen(<AccountScreen data={data} />);
  expect(screen.getByLabelText("Current password")).toHaveAttribute("type", "password");
  await userEvent.type(screen.getByLabelText("Current password"), "old words here");
  await userEvent.type(screen.getByLabelText("New password"), "password1234");
  await userEvent.click(screen.getByRole("button", { name: "Change it" }));
  expect(await screen.findByText("This password is too common.")).toBeVisible();
  expect(screen.getByLabelText("New password")).toHaveValue("password1234");
});

it("sets up a second factor: password, picture, code, and recovery codes shown once", async () => {
  const sent = fakeServer({
    "begin-second-factor": {
      status: 200,
      body: { ok: true, data: { secret: "JBSWY3DPEHPK3PXP", address: "otpauth://totp/Bathygon:Ann?secret=X" } },
    },
    "confirm-second-factor": { status: 200, body: { ok: true, data: { recoveryCodes: ["abcd-efgh-jkmn"] } } },
  });
  renderScreen(<AccountScreen data={data} />);
  await userEvent.click(screen.getByRole("button", { name: "Set it up" }));
  await userEvent.type(screen.getByLabelText("Your password"), "four plain words here");
  await userEvent.click(screen.getByRole("button", { name: "Go on" }));
  expect(await screen.findByText("JBSW Y3DP EHPK 3PXP")).toBeVisible();
  await userEvent.type(screen.getByLabelText("Code of the authenticator"), "123456");
  await userEvent.click(screen.getByRole("button", { name: "Turn it on" }));
  expect(await screen.findByRole("list", { name: "Recovery codes" })).toHaveTextContent("abcd-efgh-jkmn");
  expect(sent.map(({ input }) => input)).toEqual([{ password: "four plain words here" }, { code: "123456" }]);
});

it("shows what is left of a second factor, and offers pilots none", () => {
  const { unmount } = renderScreen(<AccountScreen data={{ ...data, secondFactor: { sinceMs: 0, codesLeft: 2 } }} />);
  expect(screen.getByText(/^On since/)).toHaveTextContent("Recovery codes left: 2");
  expect(screen.getByRole("button", { name: "Turn it off" })).toBeVisible();
  unmount();
  renderScreen(<AccountScreen data={{ ...data, coaches: false }} />);
  expect(screen.queryByRole("heading", { name: "Second factor" })).toBeNull();
});

it("asks for the code at sign-in once the password is right, keeping what was typed", async () => {
  const sent = fakeServer({
    "sign-in": { status: 422, body: { ok: false, message: "x", fields: { code: "Now the code" } } },
  });
  renderScreen(<SignInScreen />);
  await userEvent.type(screen.getByLabelText("Your name"), "Ann Pell");
  await userEvent.type(screen.getByLabelText("Password"), "four plain words here");
  await userEvent.click(screen.getByRole("button", { name: "Sign in" }));
  await userEvent.type(await screen.findByLabelText("Code of the authenticator"), "123456");
  await userEvent.click(screen.getByRole("button", { name: "Sign in" }));
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent[1].input).toEqual({ name: "Ann Pell", password: "four plain words here", code: "123456" });
});

it.each([
  ["Sign out", false],
  ["Sign out everywhere", true],
])("%s leads back to the entrance", async (name, everywhere) => {
  const sent = fakeServer();
  renderScreen(<AccountScreen data={data} />);
  await userEvent.click(screen.getByRole("button", { name }));
  await waitFor(() => expect(navigation.journeys).toContain("/sign-in"));
  expect(sent[0]).toEqual({ action: "sign-out", input: { everywhere } });
});

it("signs in with just name and password, and begins with an id for the coach it makes", async () => {
  const sent = fakeServer();
  const first = renderScreen(<SignInScreen />);
  await userEvent.type(screen.getByLabelText("Your name"), "Ann Pell");
  await userEvent.type(screen.getByLabelText("Password"), "four plain words here");
  await userEvent.click(screen.getByRole("button", { name: "Sign in" }));
  await waitFor(() => expect(navigation.journeys).toContain("/"));
  expect(sent[0]).toEqual({ action: "sign-in", input: { name: "Ann Pell", password: "four plain words here" } });
  first.unmount();
  renderScreen(<BeginScreen />);
  await userEvent.type(screen.getByLabelText("Your name"), "Ann Pell");
  await userEvent.type(screen.getByLabelText("A password"), "four plain words here");
  await userEvent.click(screen.getByRole("button", { name: "Create account" }));
  await waitFor(() =>
    expect(sent[1]).toMatchObject({ action: "begin", input: { id: expect.stringMatching(/^[0-9a-f-]{36}$/) } }),
  );
});
