import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { tallyData } from "@/contract/testing/made-up-pilot";
import type { Session } from "@/contract";
import { renderScreen } from "@/ui/testing/render-screen";
import { EndedElsewhere, useEndedElsewhere, useEndedHere } from "./ended-elsewhere";

const running = tallyData().session;
const over = (accountId: string, name: string): Session => ({
  ...running,
  endedAtMs: 60_000,
  endedBy: { accountId, name },
});
function Field({ session, endedHere = false }: { session: Session; endedHere?: boolean }) {
  const { elsewhere, seen } = useEndedElsewhere(session, endedHere);
  return elsewhere ? (
    <EndedElsewhere session={session} accountId="me" waiting={2} onGoOn={jest.fn()} onDebrief={seen} />
  ) : (
    <p>{session.endedAtMs === null ? "tally" : "debrief"}</p>
  );
}

/** A session running on this device, which then ends. */
function Ending({ after, ...more }: { after: Session; endedHere?: boolean }) {
  const [session, setSession] = useState(running);
  return (
    <>
      <button onClick={() => setSession(after)}>it ends</button>
      <Field session={session} {...more} />
    </>
  );
}
const end = () => userEvent.click(screen.getByRole("button", { name: "it ends" }));

it("says who ended the session under somebody's hands, and leads to the debrief", async () => {
  renderScreen(<Ending after={over("edda", "Edda Rusk")} />);
  expect(screen.getByText("tally")).toBeVisible();
  await end();
  expect(screen.getByRole("alertdialog", { name: "Session ended" })).toHaveTextContent(
    /Edda Rusk ended it at .*\. What was tapped here is kept, also what still waits on this device\./,
  );
  await userEvent.click(screen.getByRole("button", { name: "To the debrief" }));
  expect(screen.getByText("debrief")).toBeVisible();
});

it("tells one's own other device from someone else", async () => {
  renderScreen(<Ending after={over("me", "Ann Pell")} />);
  await end();
  expect(screen.getByRole("alertdialog")).toHaveTextContent(/You, on another device, ended it/);
});

it("says nothing of an end from here, or from before", async () => {
  const { unmount } = renderScreen(<Ending after={over("me", "Ann Pell")} endedHere />);
  await end();
  expect(screen.getByText("debrief")).toBeVisible();
  unmount();
  renderScreen(<Field session={over("edda", "Edda Rusk")} />);
  expect(screen.getByText("debrief")).toBeVisible();
});

it("knows over a reload that it was ended on this device, whenever the page learns of it", async () => {
  function Here({ after }: { after: Session }) {
    const [session, setSession] = useState(running);
    const [endedHere, setEndedHere] = useEndedHere(session, "me");
    return (
      <>
        <button onClick={() => setEndedHere(true)}>end it here</button>
        <button onClick={() => setSession(after)}>it ends</button>
        <Field session={session} endedHere={endedHere} />
      </>
    );
  }
  const { unmount } = renderScreen(<Here after={over("me", "Ann Pell")} />);
  await userEvent.click(screen.getByRole("button", { name: "end it here" }));
  unmount();
  // The page that comes was made before the end arrived.
  const { unmount: close } = renderScreen(<Here after={over("me", "Ann Pell")} />);
  expect(screen.getByText("tally")).toBeVisible();
  await end();
  expect(screen.getByText("debrief")).toBeVisible();
  close();
  renderScreen(<Here after={over("edda", "Edda Rusk")} />);
  await end();
  expect(screen.getByRole("alertdialog")).toHaveTextContent("Edda Rusk ended it");
});
