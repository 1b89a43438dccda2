"use client";

import type { DialogProps } from "@mui/material/Dialog";
import type { DrawerProps } from "@mui/material/Drawer";
import type { MenuProps } from "@mui/material/Menu";
import type { PopoverProps } from "@mui/material/Popover";
import { useState, type ComponentType } from "react";
import { later } from "../loading/later";
import { useSoon } from "../loading/use-soon";

/** What opens over a page: its code is fetched once the page is up, and nothing of it is drawn before it first opens. */
export function whenOpened<Props extends { readonly open: boolean }>(
  load: () => Promise<ComponentType<Props>>,
): ComponentType<Props> {
  const Part = later(load);
  return function WhenOpened(props: Props) {
    useSoon([Part]);
    // From then on it stays, to be seen closing.
    const [opened, setOpened] = useState(props.open);
    if (props.open && !opened) setOpened(true);
    return opened ? <Part {...props} /> : null;
  };
}

export const Dialog = whenOpened<DialogProps>(() => import("@mui/material/Dialog").then((part) => part.default));
export const Drawer = whenOpened<DrawerProps & { open: boolean }>(() =>
  import("@mui/material/Drawer").then((part) => part.default),
);
export const Menu = whenOpened<MenuProps>(() => import("@mui/material/Menu").then((part) => part.default));
export const Popover = whenOpened<PopoverProps>(() => import("@mui/material/Popover").then((part) => part.default));
