import { Children, isValidElement, type ReactNode } from "react";

type Value = string | number;

interface OptionProps {
  readonly value: Value;
  readonly disabled?: boolean;
  readonly children: ReactNode;
}

/** One of what a `SelectField` offers. Read by the field, never drawn itself. */
export const Option: (props: OptionProps) => ReactNode = () => null;

/** Stands above some options. */
export const OptionHeading: (props: { readonly children: ReactNode }) => ReactNode = () => null;

export type Offered =
  | { readonly kind: "option"; readonly value: Value; readonly disabled: boolean; readonly text: ReactNode }
  | { readonly kind: "heading"; readonly text: ReactNode };

/** What stands among the children of a field, in order. */
export function offered(children: ReactNode): Offered[] {
  return Children.toArray(children).flatMap((child): Offered[] => {
    if (isValidElement<OptionProps>(child) && child.type === Option) {
      const { value, disabled = false, children: text } = child.props;
      return [{ kind: "option", value, disabled, text }];
    }
    if (isValidElement<OptionProps>(child) && child.type === OptionHeading)
      return [{ kind: "heading", text: child.props.children }];
    throw new Error("A field that offers something holds options and headings only");
  });
}

/** The words of an option. */
export const wordsOf = (text: ReactNode): string =>
  Children.toArray(text)
    .map((part) => (typeof part === "string" || typeof part === "number" ? `${part}` : ""))
    .join("");
