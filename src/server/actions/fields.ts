import { applyDecorators } from "./apply-decorators";
import { IsIn, IsString, IsUUID, Length, Matches, MaxLength } from "class-validator";
import { Transform } from "class-transformer";

const trimmed = Transform(({ value }: { value: unknown }) => (typeof value === "string" ? value.trim() : value));

/** For a Transform: forms send text; an empty field is no number. */
export const numberOf = ({ value }: { value: unknown }): unknown => {
  if (typeof value !== "string") return value;
  return value.trim() === "" ? null : Number(value.replace(",", "."));
};

/** An id made by the client, UUID version 7 (RFC 9562). */
export const IsId = (options: { readonly each?: boolean } = {}) =>
  IsUUID(7, { ...options, message: "$property is not an id of this program" });

/** A name of a person or thing: 1 to 80 characters, no markup. */
export const IsName = () =>
  applyDecorators(
    trimmed,
    Matches(/^[^<>\p{Cc}\p{Cs}]*$/u, { message: "$property may not hold < or > or control characters" }),
    Length(1, 80, { message: "$property wants 1 to 80 characters" }),
    IsString({ message: "$property is not text" }),
  );

/** Free text, shown as it is typed. */
export const IsText = (longest: number, options: { readonly each?: boolean } = {}) =>
  applyDecorators(
    ...(options.each ? [] : [trimmed]),
    MaxLength(longest, { ...options, message: `$property is longer than ${longest} characters` }),
    Matches(/^[^\p{Cs}\0]*$/u, { ...options, message: "$property holds characters that are not text" }),
    IsString({ ...options, message: "$property is not text" }),
  );

/** The key of a step; whether the squad's syllabus has it is for the action to say. */
export const IsStepId = () => Matches(/^[a-z0-9-]{2,40}$/, { message: "$property is no key of a step" });

/** One of a fixed set of words. */
export const IsOneOf = (words: readonly string[]) =>
  IsIn([...words], { message: `$property must be one of: ${words.join(", ")}` });
