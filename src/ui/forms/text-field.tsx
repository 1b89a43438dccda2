"use client";

import FormControl, { type FormControlProps } from "@mui/material/FormControl";
import FormHelperText from "@mui/material/FormHelperText";
import InputBase from "@mui/material/InputBase";
import InputLabel from "@mui/material/InputLabel";
import OutlinedInput, { type OutlinedInputProps } from "@mui/material/OutlinedInput";
import { useId, type ReactNode } from "react";

/** Kept from the input, as it is called there. */
type OfInput =
  | "autoComplete"
  | "autoFocus"
  | "defaultValue"
  | "inputComponent"
  | "inputRef"
  | "minRows"
  | "multiline"
  | "name"
  | "onBlur"
  | "onChange"
  | "onFocus"
  | "placeholder"
  | "type"
  | "value";

export interface TextFieldProps
  extends Omit<FormControlProps, OfInput | "label" | "variant">, Pick<OutlinedInputProps, OfInput> {
  readonly label?: ReactNode;
  readonly helperText?: ReactNode;
  /** In a box with its label in the frame, or without a label on a line, or on nothing. */
  readonly look?: "boxed" | "lined" | "bare";
  readonly slotProps?: {
    readonly htmlInput?: OutlinedInputProps["inputProps"];
    readonly input?: Partial<OutlinedInputProps>;
    /** A label that shrinks is out of the way of what an empty field says. */
    readonly inputLabel?: { readonly id?: string; readonly shrink?: boolean; readonly onClick?: () => void };
    readonly formHelperText?: { readonly sx?: FormControlProps["sx"] };
  };
}

/**
 * A field that is typed into. The component family's own text field is put together of the same parts, but brings its three looks, its select and all that
 * opens with every page: 24 kB that a page does not need until something is opened.
 */
export function TextField(props: TextFieldProps) {
  const { autoComplete, autoFocus, defaultValue, inputComponent, inputRef, minRows, multiline, name, ...rest } = props;
  const { onBlur, onChange, onFocus, placeholder, type, value, label, helperText, look = "boxed", ...others } = rest;
  const { id: ownId, slotProps = {}, ...frame } = others;
  const made = useId();
  const id = ownId ?? made;
  const helpId = helperText ? `${id}-help` : undefined;
  const input = {
    ...{ autoComplete, autoFocus, defaultValue, inputRef, minRows, multiline, name, id },
    ...{ onBlur, onChange, onFocus, placeholder, type, value, fullWidth: frame.fullWidth },
    ...(inputComponent && { inputComponent }),
    inputProps: slotProps.htmlInput,
    "aria-describedby": helpId,
    ...slotProps.input,
  };
  const shrink = slotProps.inputLabel?.shrink;
  return (
    <FormControl variant={look === "boxed" ? "outlined" : "standard"} {...frame}>
      {label && (
        <InputLabel htmlFor={id} {...slotProps.inputLabel}>
          {label}
        </InputLabel>
      )}
      {look === "boxed" ? (
        <OutlinedInput {...input} label={label} {...(shrink !== undefined && { notched: shrink })} />
      ) : (
        <InputBase
          {...input}
          sx={look === "lined" ? { borderBottom: "1px solid", borderColor: "text.secondary" } : undefined}
        />
      )}
      {helperText && (
        <FormHelperText id={helpId} {...slotProps.formHelperText}>
          {helperText}
        </FormHelperText>
      )}
    </FormControl>
  );
}
