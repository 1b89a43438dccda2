import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsInt,
  IsNumber,
  IsOptional,
  Max,
  Min,
  ValidateBy,
  ValidateNested,
} from "class-validator";
import { attemptMeasures, outcomes, places, type AttemptMeasure, type Outcome, type Place } from "@/core";
import { IsId, IsOneOf, IsStepId, IsText } from "@/server/actions";

const IsMeasured = () =>
  ValidateBy({
    name: "isMeasured",
    validator: {
      validate: (value: unknown) =>
        typeof value === "object" &&
        value !== null &&
        !Array.isArray(value) &&
        Object.entries(value).every(
          ([name, one]) =>
            attemptMeasures.some((known) => known === name) &&
            typeof one === "number" &&
            Number.isFinite(one) &&
            Math.abs(one) <= 1e6,
        ),
      defaultMessage: () => `measured may hold numbers for: ${attemptMeasures.join(", ")}`,
    },
  });
const YEAR_2000_MS = 946_684_800_000;
const YEAR_2100_MS = 4_102_444_800_000;

export class SessionPilotInput {
  @IsId() pilotId!: string;
  @IsStepId() stepId!: string;
  @IsOptional() @IsId() setupId!: string | null;
}

export class StartSessionInput {
  @IsId() id!: string;
  @IsOneOf(places) place!: Place;
  /** Where; left out where no site is known. */
  @IsOptional() @IsId() siteId?: string | null;
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
  @IsStepId() stepId!: string;
  @IsText(12) direction!: string;
  @IsOneOf(outcomes) outcome!: Outcome;
  /** When it was flown, by the device's clock. */
  @Max(YEAR_2100_MS, { message: "flownAtMs is no plausible time" })
  @Min(YEAR_2000_MS, { message: "flownAtMs is no plausible time" })
  @IsInt({ message: "flownAtMs is no plausible time" })
  flownAtMs!: number;
  /** Which battery of the session, where batteries are counted. */
  @IsOptional()
  @Max(200, { message: "pack is 1 to 200" })
  @Min(1, { message: "pack is 1 to 200" })
  @IsInt({ message: "pack is 1 to 200" })
  pack?: number | null;
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

export class ByIdInput {
  @IsId() id!: string;
}
