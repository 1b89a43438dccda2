import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsInt,
  IsNumber,
  IsOptional,
  Max,
  Min,
  MinLength,
  ValidateNested,
} from "class-validator";
import { MOST_PARTS, propsFound, type PropsFound } from "@/contract";
import { outcomes, places, type AttemptMeasure, type Outcome, type Place } from "@/core";
import { IsMeasured, IsMoment, IsId, IsOneOf, IsPart, IsStepId, IsText, LineTryInput } from "@/server/actions";

export class LogAttemptInput {
  @IsId() id!: string;
  @IsId() sessionId!: string;
  @IsId() pilotId!: string;
  @IsStepId() stepId!: string;
  @IsText(12) direction!: string;
  @IsOneOf(outcomes) outcome!: Outcome;
  /** When it was flown, by the device's clock. */
  @IsMoment() flownAtMs!: number;
  /** Which battery of the session, where batteries are counted. */
  @IsOptional()
  @Max(200, { message: "pack is 1 to 200" })
  @Min(1, { message: "pack is 1 to 200" })
  @IsInt({ message: "pack is 1 to 200" })
  pack?: number | null;
  @IsOptional() @IsPart(() => LineTryInput) line?: LineTryInput;
}

/** What a coach notes of a pilot in the field. */
export class SessionNoteInput {
  @IsId() id!: string;
  @IsId() sessionId!: string;
  @IsId() pilotId!: string;
  @MinLength(1, { message: "text is empty" })
  @IsText(2000)
  text!: string;
  /** By the device's clock. */
  @IsMoment() writtenAtMs!: number;
  /** Pilots do not see it. */
  @IsOptional() @IsBoolean({ message: "forCoaches is true or false" }) forCoaches?: boolean;
}

class FieldMemberInput {
  @IsId() pilotId!: string;
  @IsStepId() stepId!: string;
  @IsOptional() @IsId() setupId!: string | null;
  @IsOptional() @IsId() loadId?: string | null;
}

/** A session begun without a network. */
export class BeginInFieldInput {
  @IsId() id!: string;
  @IsId() squadId!: string;
  @IsOneOf(places) place!: Place;
  @IsOptional() @IsId() siteId!: string | null;
  /** By the device's clock. */
  @IsMoment() atMs!: number;
  @ArrayUnique((one: FieldMemberInput) => one.pilotId, { message: "a pilot is in there twice" })
  @ArrayMaxSize(60, { message: "sixty pilots at most" })
  @ArrayMinSize(1, { message: "choose who flies" })
  @IsArray({ message: "pilots are missing" })
  @ValidateNested({ each: true })
  @Type(() => FieldMemberInput)
  pilots!: FieldMemberInput[];
}

/** A pilot who comes into a session while it runs. */
export class TakeInInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @IsStepId() stepId!: string;
  @IsOptional() @IsId() setupId!: string | null;
  @IsOptional() @IsId() loadId?: string | null;
}

/** A pilot who leaves a session while it runs. */
export class LetGoInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
}

/** What was found about an aircraft after a crash. */
export class CheckAircraftInput {
  @IsId() id!: string;
  @IsId() aircraftId!: string;
  @IsOneOf(propsFound) props!: PropsFound;
  @Max(90, { message: "the tilt is 0 to 90°" })
  @Min(0, { message: "the tilt is 0 to 90°" })
  @IsNumber({}, { message: "the tilt is not a number" })
  tiltDeg!: number;
  /** By the device's clock. */
  @IsMoment() atMs!: number;
}

/** What was measured of an attempt, and how long it took. */
export class SetMeasuredInput {
  @IsId() id!: string;
  @IsOptional()
  @Max(600, { message: "minutes are 0 to 600" })
  @Min(0, { message: "minutes are 0 to 600" })
  @IsNumber({}, { message: "minutes are a number" })
  minutes!: number | null;
  /** Values by measure, in the unit of its name. */
  @IsMeasured() measured!: Partial<Record<AttemptMeasure, number>>;
}

export class SetFaultsInput {
  @IsId() id!: string;
  @ArrayUnique({ message: "a fault is in there twice" })
  @ArrayMaxSize(10, { message: "ten faults at most" })
  @IsArray({ message: "faults are missing" })
  @IsText(40, { each: true })
  faults!: string[];
}

export class SetHeldInput {
  @IsId() id!: string;
  @ArrayUnique({ message: "a part is in there twice" })
  @ArrayMaxSize(MOST_PARTS, { message: `a line has ${MOST_PARTS} parts at most` })
  @IsArray({ message: "held is missing" })
  @IsId({ each: true })
  held!: string[];
}

export class AtMomentInput {
  @IsId() id!: string;
  /** When, by the device's clock; left out for now. */
  @IsOptional() @IsMoment() atMs?: number;
}
