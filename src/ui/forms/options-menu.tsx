"use client";

import ListSubheader from "@mui/material/ListSubheader";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useState, type RefObject } from "react";
import type { Offered } from "./options";

/** What a `SelectField` offers, opened under it and as wide as it at least. */
export function OptionsMenu(props: {
  id: string;
  labelledBy: string | undefined;
  label: string | undefined;
  open: boolean;
  anchor: RefObject<HTMLElement | null>;
  options: readonly Offered[];
  chosen: readonly (string | number)[];
  several: boolean;
  large: boolean;
  onChoose: (value: string | number) => void;
  onClose: () => void;
}) {
  const { id, labelledBy, label, open, anchor, options, chosen, several, large, onChoose, onClose } = props;
  // As it was when the list was first drawn: a field does not grow while its list is open.
  const [minWidth] = useState(() => anchor.current?.clientWidth);
  return (
    <Menu
      open={open}
      anchorEl={() => anchor.current}
      onClose={onClose}
      slotProps={{
        paper: { sx: { minWidth, maxHeight: "min(60vh, 520px)" } },
        list: {
          id,
          role: "listbox",
          disableListWrap: true,
          "aria-label": label,
          "aria-labelledby": labelledBy,
          "aria-multiselectable": several ? true : undefined,
        },
      }}
    >
      {options.map((one, i) =>
        one.kind === "heading" ? (
          <ListSubheader key={`heading ${i}`} role="presentation">
            {one.text}
          </ListSubheader>
        ) : (
          <MenuItem
            key={`${one.value}`}
            role="option"
            data-value={one.value}
            disabled={one.disabled}
            sx={large ? { minHeight: 56 } : undefined}
            selected={chosen.includes(one.value)}
            aria-selected={chosen.includes(one.value)}
            onClick={() => onChoose(one.value)}
          >
            {one.text}
          </MenuItem>
        ),
      )}
    </Menu>
  );
}
