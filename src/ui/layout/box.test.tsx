import MuiBox from "@mui/material/Box";
import type { SxProps, Theme } from "@mui/material/styles";
import { render } from "@testing-library/react";
import { PreferencesProvider } from "../theme/preferences";
import { Box } from "./box";

const classesOf = (element: React.ReactElement) => {
  const { container } = render(
    <PreferencesProvider initial={{ theme: "dark", units: "metric" }}>{element}</PreferencesProvider>,
  );
  const drawn = container.querySelector("[data-at]")!;
  return [...drawn.classList].filter((name) => name !== "MuiBox-root").sort();
};

/** The component family's own box says what each is to come to: a class is named after its styles. */
it.each<[string, SxProps<Theme>]>([
  ["spaces and breakpoints", { mt: 1, p: { xs: 0.5, md: 2 }, gridTemplateColumns: { lg: "1fr 2fr" } }],
  [
    "colours of the look, asked for as a whole",
    (theme) => ({ color: theme.tokens.ochreText, "&:hover": { opacity: 1 } }),
  ],
  ["colours of the look, asked for in a part", { color: (theme) => theme.tokens.buoy, bgcolor: "background.paper" }],
  ["several, one after the other", [{ mt: 1 }, { mt: 2 }, (theme) => ({ outline: theme.tokens.rule })]],
  ["nothing", {}],
])("a box of %s is styled as that of the component family, the first time and again", (_, sx) => {
  const meant = classesOf(<MuiBox data-at sx={sx} />);
  expect(classesOf(<Box data-at sx={sx} />)).toEqual(meant);
  expect(classesOf(<Box data-at sx={sx} />)).toEqual(meant);
});

it("styles of a box round another come after the other's own, and plain classes stay", () => {
  const nested = (Outer: typeof Box, Inner: typeof Box) => {
    const Own = ({ className }: { className?: string }) => (
      <Inner data-at className={`num ${className}`} sx={{ width: 10, height: 4 }} />
    );
    return classesOf(<Outer component={Own} sx={{ width: 20 }} />);
  };
  expect(nested(Box, Box)).toContain("num");
  expect(nested(Box, Box)).toEqual(nested(MuiBox, MuiBox));
});
