import { standardDay } from "@/syllabus";
import { fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { quizQuestions } from "@/ui/sticks/quiz";
import { odo, standingAtStep } from "@/ui/testing/made-up";
import { fakeServer, renderScreen } from "@/ui/testing/render-screen";
import { BriefScreen } from "./brief-screen";

const words = { up: "up", down: "down", "out-left": "to the left", "out-right": "to the right" };

function begin(stickMode: number): void {
  jest.spyOn(Math, "random").mockReturnValue(0.3);
  renderScreen(
    <BriefScreen
      data={{
        pilot: { ...odo, stickMode },
        aircraft: null,
        setup: null,
        standing: standingAtStep("sticks"),
        direction: "on",
        school: {},
        own: [],
        faultCounts: {},
        isCurrent: true,
        measured: {},
        day: standardDay,
        startHeights: {},
      }}
    />,
  );
  fireEvent.click(screen.getByRole("button", { name: /Begin the quiz, mode/ }));
}

function answerAll(stickMode: number, wrong: number): void {
  quizQuestions(stickMode, () => 0.3).forEach((question, i) => {
    const right = i >= wrong;
    if (question.kind === "choose")
      return fireEvent.click(
        screen.getByRole("button", { name: question.answers[right ? question.right : 1 - question.right] }),
      );
    const side = right ? question.side : question.side === "left" ? "right" : "left";
    return fireEvent.click(screen.getByRole("button", { name: `${side} stick ${words[question.way]}` }));
  });
}

it.each([1, 2, 3, 4])("mode %d: a round without a wrong answer is kept as a clean attempt by eye", async (mode) => {
  const sent = fakeServer();
  begin(mode);
  answerAll(mode, 0);
  expect(screen.getByText("Not one wrong.")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Keep as a clean attempt" }));
  await waitFor(() =>
    expect(sent.map(({ action }) => action)).toEqual(["start-session", "log-attempt", "end-session"]),
  );
  expect(sent[0].input).toMatchObject({ place: "by-eye", pilots: [{ pilotId: "odo", stepId: "sticks" }] });
  // The server takes no field that it does not know.
  expect(Object.keys(sent[1].input).sort()).toEqual([
    "direction",
    "flownAtMs",
    "id",
    "outcome",
    "pilotId",
    "sessionId",
    "stepId",
  ]);
  expect(sent[1].input).toMatchObject({ outcome: "clean", direction: "on" });
});

it("says at once what was wrong, and lists it at the end", () => {
  begin(2);
  answerAll(2, 2);
  expect(screen.getByText(/2 of 11 wrong/)).toBeVisible();
  expect(screen.getByRole("button", { name: "Keep as a rough attempt" })).toBeVisible();
});
