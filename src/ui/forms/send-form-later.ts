import { later } from "../loading/later";
import type { SendForm } from "./send-form";

/** A short form in a dialog: its code is fetched when the dialog is first opened. */
export const SendFormLater = later(() =>
  import("./send-form").then((form) => form.SendForm as React.ComponentType<object>),
) as unknown as typeof SendForm;
