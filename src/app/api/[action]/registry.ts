import { accountActions } from "@/features/account";
import { briefActions } from "@/features/brief";
import { calendarActions } from "@/features/calendar";
import { choreographerActions } from "@/features/choreographer";
import { lineActions } from "@/features/lines";
import { peopleActions } from "@/features/people";
import { pilotActions } from "@/features/pilot";
import { recordActions } from "@/features/records";
import { fieldActions } from "@/features/field";
import { planActions } from "@/features/plan";
import { practiceActions } from "@/features/practice";
import { setupActions } from "@/features/setup";
import { squadActions } from "@/features/squad";
import { syllabusActions } from "@/features/syllabus";
import { tapeActions } from "@/features/tape";
import { yardActions } from "@/features/yard";
import type { ActionInput, ActionName, ActionOutput, TypedNumber } from "@/contract";
import type { Action } from "@/server/actions";

/** Everything that can be asked of the server, by name. */
const actions = {
  ...accountActions,
  ...peopleActions,
  ...recordActions,
  ...squadActions,
  ...pilotActions,
  ...setupActions,
  ...planActions,
  ...fieldActions,
  ...practiceActions,
  ...syllabusActions,
  ...yardActions,
  ...calendarActions,
  ...choreographerActions,
  ...lineActions,
  ...briefActions,
  ...tapeActions,
};

/** What a form sends as typed is a number when the input class has read it; a file is whatever was read. */
type Read<Value> = unknown extends Value ? never : [TypedNumber] extends [Value] ? Exclude<Value, string> : Value;
type ReadInput<Input> = { readonly [Field in keyof Input]: Read<Input[Field]> };
type DeepReadonly<Value> = Value extends object
  ? { readonly [Field in keyof Value]: DeepReadonly<Value[Field]> }
  : Value;

/** Whether an action takes what the contract lets be sent, no field more and none less, and answers what it promises. */
type Keeps<Name extends ActionName, Done> =
  Done extends Action<infer Input extends object, infer Output>
    ? ReadInput<ActionInput<Name>> extends DeepReadonly<Input>
      ? Exclude<keyof ActionInput<Name>, keyof Input> extends never
        ? Output extends ActionOutput<Name>
          ? true
          : false
        : false
      : false
    : false;
type Registered = typeof actions;
/** Names that the contract has and nobody answers to, or the other way round, or whose action does not keep it. */
type Broken =
  | Exclude<ActionName, keyof Registered>
  | Exclude<keyof Registered, ActionName>
  | { [Name in keyof Registered]: Keeps<Name, Registered[Name]> extends true ? never : Name }[keyof Registered];
// Does not compile while any is broken; the error names it.
true satisfies [Broken] extends [never] ? true : Broken;

/** `runAction` checks what is sent by each action's own class: here they are all alike. */
const byName = new Map(Object.entries(actions)) as ReadonlyMap<string, Action<object, unknown>>;

export const actionNames: readonly string[] = [...byName.keys()];

export function findAction(name: string): Action<object, unknown> | undefined {
  return byName.get(name);
}
