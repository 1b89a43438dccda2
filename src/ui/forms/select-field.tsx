"use client";

import ArrowDropDownIcon from "@mui/icons-material/ArrowDropDown";
import type { InputBaseComponentProps } from "@mui/material/InputBase";
import { styled } from "@mui/material/styles";
import {
  createContext,
  useContext,
  useId,
  useRef,
  useState,
  type KeyboardEvent,
  type ReactNode,
  type Ref,
} from "react";
import { whenOpened } from "../layout/opened";
import { offered, wordsOf, type Offered } from "./options";
import { TextField, type TextFieldProps } from "./text-field";

const OptionsMenu = whenOpened(() => import("./options-menu").then((part) => part.OptionsMenu));

interface FieldProps extends Omit<
  TextFieldProps,
  "value" | "defaultValue" | "onChange" | "slotProps" | "inputComponent" | "inputRef" | "children"
> {
  /** As high as a thumb in a glove is wide. */
  readonly large?: boolean;
  /** What it chooses, where no label stands at it. */
  readonly "aria-label"?: string;
  /** Said while nothing is chosen. */
  readonly none?: string;
  /** `Option` and `OptionHeading`. */
  readonly children: ReactNode;
}

interface SelectFieldProps extends FieldProps {
  readonly value: string | number;
  /** Told in the shape of an event, as forms take it; the value is as it was offered. */
  readonly onChange: (event: { readonly target: { readonly value: string; readonly name?: string } }) => void;
}

/**
 * A field that chooses one of what it offers. A letter typed at it while it is closed chooses the next option that begins with it (WAI-ARIA practices,
 * select-only combobox).
 */
export function SelectField({ value, onChange, ...field }: SelectFieldProps) {
  const tell = (next: string | number) => {
    // Forms write down the value that was offered, be it a number.
    if (next !== value) onChange({ target: { value: next as string, name: field.name } });
  };
  return <Choosing {...field} chosen={[value]} several={false} onChoose={tell} />;
}

interface SelectSeveralProps<Value extends string> extends FieldProps {
  readonly value: readonly Value[];
  readonly onChange: (value: readonly Value[]) => void;
}

/** A field that chooses any of what it offers. */
export function SelectSeveral<Value extends string>({ value, onChange, ...field }: SelectSeveralProps<Value>) {
  const turn = (one: string | number) =>
    onChange(value.some((other) => other === one) ? value.filter((other) => other !== one) : [...value, one as Value]);
  return <Choosing {...field} chosen={value} several onChoose={turn} />;
}

interface ChoosingProps extends FieldProps {
  readonly chosen: readonly (string | number)[];
  readonly several: boolean;
  readonly onChoose: (value: string | number) => void;
}

/** Closed it is a text field with a button in it; the list that opens is fetched once the page is up. */
function Choosing(props: ChoosingProps) {
  const { chosen, several, onChoose, none = "", large = false, children, "aria-label": ariaLabel, ...field } = props;
  const made = useId();
  const id = field.id ?? made;
  const options = offered(children);
  const frame = useRef<HTMLDivElement>(null);
  const button = useRef<HTMLDivElement>(null);
  const [open, setOpen] = useState(false);
  const text = textOf(options, chosen) || none;
  const labelId = field.label ? `${id}-label` : undefined;
  const choose = (value: string | number) => {
    if (!several) setOpen(false);
    onChoose(value);
  };
  return (
    <InClosedField
      value={{
        id,
        button,
        text,
        large,
        open,
        label: ariaLabel,
        labelledBy: labelId,
        onOpen: () => setOpen(true),
        onLetter: (letter) => {
          const next = several ? undefined : nextBeginning(options, chosen[0], letter);
          if (next !== undefined) onChoose(next);
          return next !== undefined;
        },
      }}
    >
      <TextField
        {...field}
        id={id}
        value={text === "" ? "" : chosen.join()}
        inputComponent={ClosedField}
        slotProps={{
          inputLabel: { id: labelId, shrink: text !== "", onClick: () => button.current?.focus() },
          input: { ref: frame, endAdornment: <Arrow aria-hidden /> },
        }}
      />
      <OptionsMenu
        {...{ id: `${id}-list`, labelledBy: labelId, label: ariaLabel, open, anchor: frame }}
        {...{ options, chosen, several, large, onChoose: choose, onClose: () => setOpen(false) }}
      />
    </InClosedField>
  );
}

function textOf(options: readonly Offered[], chosen: readonly (string | number)[]): ReactNode {
  const texts = options.flatMap((one) => (one.kind === "option" && chosen.includes(one.value) ? [one.text] : []));
  return texts.length > 1 ? texts.map(wordsOf).join(", ") : texts[0];
}

/** The value of the next option, round the end, whose words begin with a letter. */
function nextBeginning(options: readonly Offered[], value: string | number, letter: string) {
  const open = options.flatMap((one) => (one.kind === "option" && !one.disabled ? [one] : []));
  const at = open.findIndex((one) => one.value === value) + 1;
  return [...open.slice(at), ...open.slice(0, at)].find(({ text }) =>
    wordsOf(text).toLowerCase().startsWith(letter.toLowerCase()),
  )?.value;
}

/** The input of a text field is given its attributes by the component family; what it shows comes this way. */
const InClosedField = createContext<{
  readonly id: string;
  readonly button: Ref<HTMLDivElement>;
  readonly text: ReactNode;
  readonly large: boolean;
  readonly open: boolean;
  readonly label: string | undefined;
  readonly labelledBy: string | undefined;
  readonly onOpen: () => void;
  /** False if nothing begins with it: then it is a key of the screen. */
  readonly onLetter: (letter: string) => boolean;
} | null>(null);

const OPENS = [" ", "Enter", "ArrowUp", "ArrowDown"];

function ClosedField({ className, disabled, onFocus, onBlur, ...given }: InputBaseComponentProps) {
  const closed = useContext(InClosedField);
  if (!closed) throw new Error("It stands in a field that chooses");
  const { button, ...field } = closed;
  const onKeyDown = (event: KeyboardEvent) => {
    const letter = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;
    if (OPENS.includes(event.key)) field.onOpen();
    else if (!letter || !field.onLetter(event.key)) return;
    event.preventDefault();
  };
  return (
    <Button
      ref={button}
      id={field.id}
      className={className}
      role="combobox"
      tabIndex={disabled ? undefined : 0}
      aria-haspopup="listbox"
      aria-expanded={field.open}
      aria-controls={field.open ? `${field.id}-list` : undefined}
      aria-disabled={disabled ? true : undefined}
      aria-label={field.label}
      aria-labelledby={field.labelledBy}
      aria-describedby={given["aria-describedby"]}
      aria-invalid={given["aria-invalid"]}
      sx={field.large ? { lineHeight: "56px", py: "0 !important" } : undefined}
      onFocus={onFocus as React.FocusEventHandler}
      onBlur={onBlur as React.FocusEventHandler}
      onKeyDown={disabled ? undefined : onKeyDown}
      onMouseDown={(event) => {
        if (disabled || event.button !== 0) return;
        event.preventDefault();
        event.currentTarget.focus();
        field.onOpen();
      }}
    >
      {field.text === "" ? <span aria-hidden>&#8203;</span> : field.text}
    </Button>
  );
}

/** Over the arrow as well, which is pressed through it. */
const Button = styled("div")(({ theme }) => ({
  position: "relative",
  zIndex: 1,
  "&&": { height: "auto", minHeight: "1.4375em", minWidth: 16, paddingRight: 32, marginRight: -32 },
  overflow: "hidden",
  textOverflow: "ellipsis",
  whiteSpace: "nowrap",
  borderRadius: 3,
  cursor: "pointer",
  userSelect: "none",
  "&[aria-disabled]": { cursor: "default", color: theme.palette.text.disabled },
}));

const Arrow = styled(ArrowDropDownIcon)({
  flex: "none",
  width: 24,
  height: 24,
  ".MuiOutlinedInput-root > &": { marginRight: -7 },
});
