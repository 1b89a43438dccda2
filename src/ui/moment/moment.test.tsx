import { render } from "@testing-library/react";
import { renderToString } from "react-dom/server";
import { Moment } from "./moment";

const at = new Date(2026, 8, 3, 0, 5).getTime();

it("is the day, the time or both by the clocks of the visitor, with the month by its name", () => {
  const { container } = render(
    <>
      <Moment atMs={at} />; <Moment atMs={at} show="time" />; <Moment atMs={at} show="both" />
    </>,
  );
  expect(container).toHaveTextContent("3 Sep 2026; 00:05; 3 Sep 2026, 00:05");
});

it("is the day of universal time where nobody's clocks are known", () => {
  expect(renderToString(<Moment atMs={Date.UTC(2026, 8, 3, 23, 30)} show="both" />)).toContain(">2026-09-03</time>");
});
