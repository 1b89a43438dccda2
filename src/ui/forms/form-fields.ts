export interface FormField<Value extends string | number = string> {
  readonly label: string;
  readonly initial: Value;
  readonly options?: readonly (readonly [value: Value, text: string])[];
  readonly lines?: number;
  readonly help?: string;
  /** Sent as it is, without being shown. */
  readonly hidden?: boolean;
  /** Not shown as it is typed. */
  readonly secret?: boolean;
  /** What the browser may fill in (HTML autocomplete). */
  readonly autoComplete?: string;
}

/** The fields of a form by name, in the order in which they stand. */
export type FormFields = Readonly<Record<string, FormField | FormField<number>>>;
/** What stands in the fields of a form. */
export type FormValues<Fields extends FormFields> = { readonly [Name in keyof Fields]: Fields[Name]["initial"] };

/** A field that holds one of some values. */
export const choiceField = <Value extends string | number>(field: FormField<Value>): FormField<Value> => field;
