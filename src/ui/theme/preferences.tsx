"use client";

import { AppRouterCacheProvider } from "@mui/material-nextjs/v16-appRouter";
import CssBaseline from "@mui/material/CssBaseline";
import GlobalStyles from "@mui/material/GlobalStyles";
// That of the component family comes with colour schemes, which are not used here.
import ThemeProvider from "@mui/system/ThemeProvider";
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from "react";
import { unitSystems, type UnitSystem } from "@/words";
import { MessageBoardLater } from "../messages/message-board-later";
import { noticeStyles } from "./notice-styles";
import { plainStyles } from "./plain-styles";
import { themeFor } from "./theme";
import { numberFont, themeNames, type ThemeName } from "./tokens";
import { untilLoaded } from "./until-loaded";

/** What a person has set for themselves on this device. Kept in cookies, so that the server draws the same page. */
export interface Preferences {
  readonly theme: ThemeName;
  readonly units: UnitSystem;
}

interface PreferencesContext extends Preferences {
  readonly setPreference: (change: Partial<Preferences>) => void;
}

const Context = createContext<PreferencesContext | null>(null);

export function usePreferences(): PreferencesContext {
  const context = useContext(Context);
  if (!context) throw new Error("usePreferences needs PreferencesProvider around it");
  return context;
}

const YEAR_S = 31_536_000;

/** Theme, fonts, messages and the person's own settings for everything inside. */
export function PreferencesProvider({ initial, children }: { initial: Preferences; children: ReactNode }) {
  const [preferences, setPreferences] = useState(initial);
  useEffect(() => {
    // A page kept on the device was drawn with the settings of the day it was kept.
    const kept = new Map(document.cookie.split("; ").map((part) => part.split("=") as [string, string]));
    const theme = themeNames.find((name) => name === kept.get("bathygon-theme")) ?? initial.theme;
    const units = unitSystems.find((name) => name === kept.get("bathygon-units")) ?? initial.units;
    // oxlint-disable-next-line react/set-state-in-effect
    if (theme !== initial.theme || units !== initial.units) setPreferences({ theme, units });
  }, [initial.theme, initial.units]);
  const value = useMemo(
    () => ({
      ...preferences,
      setPreference: (change: Partial<Preferences>) => {
        for (const [name, chosen] of Object.entries(change)) {
          document.cookie = `bathygon-${name}=${chosen}; path=/; max-age=${YEAR_S}; samesite=lax`;
        }
        setPreferences((before) => ({ ...before, ...change }));
      },
    }),
    [preferences],
  );
  return (
    <AppRouterCacheProvider>
      <Context value={value}>
        <ThemeProvider theme={themeFor(preferences.theme)}>
          <CssBaseline />
          <GlobalStyles styles={untilLoaded.map((face) => ({ "@font-face": face }))} />
          <GlobalStyles
            styles={(theme) => ({
              body: { fontVariantNumeric: "tabular-nums", fontSize: "0.92rem", lineHeight: 1.45 },
              ".num": { fontFamily: numberFont, fontStretch: "75%", fontWeight: 600, letterSpacing: "-0.03em" },
              a: { color: theme.tokens.ink },
              "a:focus-visible, .notice button:focus-visible, .plain-button:focus-visible, [tabindex]:focus-visible": {
                outline: `3px solid ${theme.themeName === "dark" ? theme.tokens.ochre : theme.tokens.buoy}`,
                outlineOffset: 2,
              },
              // The messages' own colours are too light for their white text.
              ".notistack-MuiContent-success": {
                backgroundColor: `${theme.tokens.shoal} !important`,
                color: `${theme.tokens.shoalInk} !important`,
              },
              ".notistack-MuiContent-error": {
                backgroundColor: `${theme.tokens.buoy} !important`,
                color: `${theme.tokens.buoyInk} !important`,
              },
              "@media (prefers-reduced-motion: reduce)": {
                "*": { transition: "none !important", animation: "none !important" },
              },
            })}
          />
          <GlobalStyles styles={noticeStyles} />
          <GlobalStyles styles={plainStyles} />
          {children}
          <MessageBoardLater />
        </ThemeProvider>
      </Context>
    </AppRouterCacheProvider>
  );
}
