"use client";

import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import {
  createContext,
  useCallback,
  useContext,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from "react";
import { Box } from "../layout/box";
import { Dialog } from "../layout/opened";

/** A key of the screen: what is pressed, what it does. */
export interface ScreenKey {
  /** As in KeyboardEvent.key, for example "c" or "ArrowLeft". */
  readonly key: string;
  readonly label: string;
  readonly run: () => void;
}

interface KeysContext {
  readonly register: (keys: readonly ScreenKey[]) => () => void;
  readonly runAt: (path: string, key: string) => void;
}

const Context = createContext<KeysContext | null>(null);

/** A screen that is asked for is there by then. */
const LONGEST_WAY_MS = 15_000;

/** Gives the present screen its keys for as long as it is shown; `?` lists them. */
export function useKeys(keys: readonly ScreenKey[]): void {
  const context = useContext(Context);
  if (!context) throw new Error("useKeys needs KeysProvider around it");
  const { register } = context;
  useLayoutEffect(() => register(keys), [register, keys]);
}

/** Does what a key of a screen does, from elsewhere: as soon as that screen is shown. */
export function useRunAt(): KeysContext["runAt"] {
  const context = useContext(Context);
  if (!context) throw new Error("useRunAt needs KeysProvider around it");
  return context.runAt;
}

/** Names of keys for people. */
export function keyName(key: string): string {
  return (
    { ArrowLeft: "←", ArrowRight: "→", ArrowUp: "↑", ArrowDown: "↓", " ": "space", Backspace: "backspace" }[key] ?? key
  );
}

function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}

const pressable = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest("button, a, summary, [role=button]") !== null;

export function KeysProvider({ children }: { children: ReactNode }) {
  const registered = useRef<(readonly ScreenKey[])[]>([]);
  const [listed, setListed] = useState<readonly ScreenKey[] | null>(null);
  const asked = useRef<{ readonly path: string; readonly key: string; readonly untilMs: number } | null>(null);
  const runAsked = useCallback(() => {
    // A screen that has no such key now opens nothing when it is visited later.
    if (asked.current && Date.now() > asked.current.untilMs) asked.current = null;
    if (location.pathname !== asked.current?.path) return;
    const found = registered.current.flat().find(({ key }) => key === asked.current?.key);
    if (!found) return;
    asked.current = null;
    found.run();
  }, []);
  const register = useCallback(
    (keys: readonly ScreenKey[]) => {
      registered.current = [...registered.current, keys];
      // Not while the screen is still being put up.
      if (asked.current) queueMicrotask(runAsked);
      return () => {
        registered.current = registered.current.filter((other) => other !== keys);
      };
    },
    [runAsked],
  );
  const runAt = useCallback(
    (path: string, key: string) => {
      asked.current = { path, key, untilMs: Date.now() + LONGEST_WAY_MS };
      runAsked();
    },
    [runAsked],
  );

  // Before the screen is painted, so that no key pressed on what is shown is lost.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
      // What has the focus comes first: a button is pressed, something is carried by its handle.
      if (event.defaultPrevented || (event.key === " " && pressable(event.target))) return;
      if (document.querySelector(".MuiModal-root")) return;
      if (event.key === "?") {
        setListed(registered.current.flat());
        return;
      }
      const found = registered.current.flat().find(({ key }) => key === event.key);
      if (!found) return;
      event.preventDefault();
      found.run();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

  const value = useMemo(() => ({ register, runAt }), [register, runAt]);
  return (
    <Context value={value}>
      {children}
      <Dialog open={listed !== null} onClose={() => setListed(null)} aria-labelledby="keys-title">
        <DialogTitle id="keys-title">Keys of this screen</DialogTitle>
        <DialogContent>
          <Box
            component="dl"
            sx={{ m: 0, display: "grid", gridTemplateColumns: "auto 1fr", columnGap: 3, rowGap: 1, minWidth: 280 }}
          >
            {[...(listed ?? []), { key: "Ctrl K", label: "Search or run" }, { key: "?", label: "This list" }].map(
              ({ key, label }) => (
                <Box key={key} sx={{ display: "contents" }}>
                  <Box component="dt" className="num">
                    {keyName(key)}
                  </Box>
                  <Box component="dd" sx={{ m: 0 }}>
                    {label}
                  </Box>
                </Box>
              ),
            )}
          </Box>
        </DialogContent>
      </Dialog>
    </Context>
  );
}
