import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsInt,
  IsOptional,
  Max,
  Min,
  ValidateNested,
} from "class-validator";
import { outcomes, places, type Outcome, type Place } from "@/core";
import { IsId, IsOneOf, IsText } from "@/server/actions";
import { steps } from "@/syllabus";

const stepIds = steps.map((step) => step.id);
const YEAR_2000_MS = 946_684_800_000;
const YEAR_2100_MS = 4_102_444_800_000;

export class SessionPilotInput {
  @IsId() pilotId!: string;
  @IsOneOf(stepIds) stepId!: string;
  @IsOptional() @IsId() setupId!: string | null;
}

export class StartSessionInput {
  @IsId() id!: string;
  @IsOneOf(places) place!: Place;
  @ArrayUnique((one: SessionPilotInput) => one?.pilotId, { message: "a pilot is in there twice" })
  @ArrayMaxSize(30, { message: "a session takes 30 pilots at most" })
  @ArrayMinSize(1, { message: "choose at least one pilot" })
  @IsArray({ message: "pilots are missing" })
  @ValidateNested({ each: true })
  @Type(() => SessionPilotInput)
  pilots!: SessionPilotInput[];
}

export class LogAttemptInput {
  @IsId() id!: string;
  @IsId() sessionId!: string;
  @IsId() pilotId!: string;
  @IsOneOf(stepIds) stepId!: string;
  @IsText(12) direction!: string;
  @IsOneOf(outcomes) outcome!: Outcome;
  /** When it was flown, by the device's clock. */
  @Max(YEAR_2100_MS, { message: "flownAtMs is no plausible time" })
  @Min(YEAR_2000_MS, { message: "flownAtMs is no plausible time" })
  @IsInt({ message: "flownAtMs is no plausible time" })
  flownAtMs!: number;
}

export class SetFaultsInput {
  @IsId() id!: string;
  @ArrayUnique({ message: "a fault is in there twice" })
  @ArrayMaxSize(10, { message: "ten faults at most" })
  @IsArray({ message: "faults are missing" })
  @IsText(40, { each: true })
  faults!: string[];
}

export class ByIdInput {
  @IsId() id!: string;
}
