"use client";

import { __unsafe_useEmotionCache as useStyleCache } from "@emotion/react";
import { serializeStyles, type CSSObject, type SerializedStyles } from "@emotion/serialize";
import { useInsertionEffectAlwaysWithSyncFallback as useInsertion } from "@emotion/use-insertion-effect-with-fallbacks";
import { getRegisteredStyles, insertStyles, registerStyles } from "@emotion/utils";
import type MuiBox from "@mui/material/Box";
import { useTheme, type SxProps, type Theme } from "@mui/material/styles";
import { unstable_styleFunctionSx as stylesOf } from "@mui/system";
import { createElement, type ElementType, type HTMLAttributes, type Ref } from "react";

interface BoxProps extends HTMLAttributes<HTMLElement> {
  readonly component?: ElementType;
  readonly sx?: SxProps<Theme>;
  readonly ref?: Ref<unknown>;
}

/**
 * An element with `sx`, as that of the component family and with its types. A screen has hundreds, drawn by the server at every look and again at every move
 * of a slider: what an `sx` comes to is worked out once for as long as it says the same.
 */
export const Box = function Box({ component = "div", sx, className, ...rest }: BoxProps) {
  const cache = useStyleCache()!;
  const theme = useTheme();
  const passed: string[] = [];
  const plain = className === undefined ? "" : getRegisteredStyles(cache.registered, passed, className);
  const own = serialized(theme, sx);
  // Styles that an element round this one gave it come after its own.
  const styles = passed.length > 0 ? serializeStyles([own.styles, ...passed]) : own;
  const isElement = typeof component === "string";
  registerStyles(cache, styles, isElement);
  useInsertion(() => {
    insertStyles(cache, styles, isElement);
  });
  return createElement(component, { ...rest, className: `${plain}${cache.key}-${styles.name}` });
} as typeof MuiBox;

const MOST_KEPT = 4000;
const NONE = serializeStyles([""]);
const kept = new WeakMap<Theme, Map<string, SerializedStyles>>();

function serialized(theme: Theme, sx: SxProps<Theme> | undefined): SerializedStyles {
  if (!sx) return NONE;
  const said = typeof sx === "function" ? sx(theme) : sx;
  const key = keyOf(said);
  const work = () => serializeStyles([stylesOf({ sx: said as SxProps<Theme>, theme }) as CSSObject]);
  if (key === null) return work();
  let known = kept.get(theme);
  if (!known) kept.set(theme, (known = new Map()));
  const before = known.get(key);
  if (before) return before;
  if (known.size >= MOST_KEPT) known.clear();
  const styles = work();
  known.set(key, styles);
  return styles;
}

/** What an `sx` says as text; null where part of it is still to be worked out. */
function keyOf(value: unknown): string | null {
  if (typeof value === "string") return `${value.length}"${value}`;
  if (typeof value === "function") return null;
  if (typeof value !== "object" || value === null) return String(value);
  let text = Array.isArray(value) ? "[" : "{";
  for (const [name, one] of Object.entries(value)) {
    const own = keyOf(one);
    if (own === null) return null;
    text += `${name}:${own},`;
  }
  return `${text}}`;
}
