import { createTheme, type Theme } from "@mui/material/styles";
import { Notch } from "./notch";
import { tokens, wordFont, type ThemeName, type Tokens } from "./tokens";

declare module "@mui/material/styles" {
  interface Theme {
    tokens: Tokens;
    themeName: ThemeName;
  }
  interface ThemeOptions {
    tokens: Tokens;
    themeName: ThemeName;
  }
}

const built = new Map<ThemeName, Theme>();

/** The component theme for one of the looks. */
export function themeFor(name: ThemeName): Theme {
  const known = built.get(name);
  if (known) return known;
  const t = tokens[name];
  const focus = { outline: `3px solid ${name === "dark" ? t.ochre : t.buoy}`, outlineOffset: 2 };
  const theme = createTheme({
    tokens: t,
    themeName: name,
    palette: {
      mode: name === "dark" ? "dark" : "light",
      background: { default: t.paper, paper: t.sheet },
      text: { primary: t.ink, secondary: t.inkSoft },
      primary: { main: t.ink, contrastText: t.paper },
      secondary: { main: t.shoal, contrastText: t.shoalInk },
      error: { main: t.buoyText, contrastText: t.buoyInk },
      warning: { main: t.ochre, contrastText: t.ochreInk },
      divider: t.rule,
    },
    shape: { borderRadius: 3 },
    shadows: Array(25).fill("none") as Theme["shadows"],
    typography: {
      fontFamily: wordFont,
      fontSize: 14,
      body1: { fontSize: "0.92rem", lineHeight: 1.45 },
      body2: { fontSize: "0.85rem" },
      button: { textTransform: "none", fontWeight: 650 },
      h1: { fontSize: "1.85rem", fontWeight: 700, fontStretch: "112%", letterSpacing: "-0.01em" },
      h2: { fontSize: "1.1rem", fontWeight: 700, fontStretch: "108%" },
      h3: { fontSize: "0.95rem", fontWeight: 650 },
    },
    components: {
      MuiButtonBase: {
        defaultProps: { disableRipple: true },
        styleOverrides: { root: { fontFamily: wordFont, "&:focus-visible": focus } },
      },
      MuiIconButton: { styleOverrides: { root: { color: t.ink } } },
      MuiButton: {
        styleOverrides: {
          root: { minHeight: 40, borderWidth: 1.5, "&:hover": { borderWidth: 1.5 } },
          outlined: { borderColor: t.ink },
          // A word that acts looks like a link.
          text: {
            textDecoration: "underline",
            textDecorationThickness: 1.5,
            textUnderlineOffset: 4,
            "&:hover": { textDecoration: "underline", textDecorationThickness: 2.5 },
            "&.Mui-disabled": { textDecoration: "none" },
          },
        },
      },
      // What a browser's own filling in is told by is styled once for all fields, see the plain styles.
      MuiInputBase: { defaultProps: { disableInjectingGlobalStyles: true } },
      MuiOutlinedInput: {
        defaultProps: { slots: { notchedOutline: Notch } },
        styleOverrides: { root: { backgroundColor: t.sheet } },
      },
      MuiDialog: { styleOverrides: { paper: { border: `1.5px solid ${t.ink}`, backgroundImage: "none" } } },
      MuiDrawer: { styleOverrides: { paper: { backgroundImage: "none" } } },
      MuiPaper: { styleOverrides: { root: { backgroundImage: "none" } } },
      MuiToggleButton: {
        styleOverrides: {
          root: {
            textTransform: "none",
            minHeight: 40,
            color: t.ink,
            borderColor: t.ink,
            borderWidth: 1.5,
            "&.Mui-selected, &.Mui-selected:hover": { backgroundColor: t.ink, color: t.paper },
          },
        },
      },
      MuiTooltip: { styleOverrides: { tooltip: { backgroundColor: t.ink, color: t.paper, fontSize: "0.8rem" } } },
      MuiTableCell: {
        styleOverrides: { root: { borderColor: t.rule, padding: "8px 10px" }, head: { fontWeight: 650 } },
      },
    },
  });
  built.set(name, theme);
  return theme;
}
