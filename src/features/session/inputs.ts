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
  IsObject,
  IsOptional,
  Max,
  Min,
  MinLength,
  ValidateBy,
  ValidateNested,
} from "class-validator";
import {
  dayAirRanges,
  attemptMeasures,
  blockKinds,
  outcomes,
  places,
  type AttemptMeasure,
  type BlockKind,
  type Outcome,
  type Place,
} from "@/core";
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

/** A moment as a device has it, ms. */
const IsMoment = () =>
  ValidateBy({
    name: "isMoment",
    validator: {
      validate: (value: unknown) =>
        Number.isInteger(value) && Number(value) >= YEAR_2000_MS && Number(value) <= YEAR_2100_MS,
      defaultMessage: (about) => `${about?.property} is no plausible time`,
    },
  });

export class BlockInput {
  @IsOneOf(blockKinds) kind!: BlockKind;
  /** Null for flying freely. */
  @IsOptional() @IsStepId() stepId!: string | null;
  @Max(600, { message: "minutes are 0 to 600" })
  @Min(0, { message: "minutes are 0 to 600" })
  @IsNumber({}, { message: "minutes are a number" })
  minutes!: number;
  @IsOptional() @IsText(12) firstDirection!: string | null;
  @IsText(500) why!: string;
}

export class PilotPlanInput {
  @ArrayMaxSize(20, { message: "a pilot flies 20 blocks at most" })
  @IsArray({ message: "blocks are missing" })
  @ValidateNested({ each: true })
  @Type(() => BlockInput)
  blocks!: BlockInput[];
  /** Slots of the session in which the pilot flies, counted from 0. */
  @ArrayUnique({ message: "a pilot flies once in a slot" })
  @ArrayMaxSize(200, { message: "a pilot flies 200 turns at most" })
  @Max(1000, { each: true, message: "turns are counted up to 1000" })
  @Min(0, { each: true, message: "turns are counted from 0" })
  @IsInt({ each: true, message: "turns are whole numbers" })
  @IsArray({ message: "turns are missing" })
  turns!: number[];
}

export class SessionPilotInput {
  @IsId() pilotId!: string;
  /** The step worked at. */
  @IsStepId() stepId!: string;
  @IsOptional() @IsId() setupId!: string | null;
  /** What the aircraft carries. */
  @IsOptional() @IsId() loadId?: string | null;
  /** What else is flown, in order; left out where it is the one step. */
  @IsOptional()
  @IsObject({ message: "the plan is not one" })
  @ValidateNested()
  @Type(() => PilotPlanInput)
  plan?: PilotPlanInput;
}

export class StartSessionInput {
  @IsId() id!: string;
  @IsOneOf(places) place!: Place;
  /** Where; left out where no site is known. */
  @IsOptional() @IsId() siteId?: string | null;
  /** Air of the day, as far as it is known. */
  @IsOptional()
  @Max(dayAirRanges.temperatureC[1], { message: "the temperature is -40 to 50 °C" })
  @Min(dayAirRanges.temperatureC[0], { message: "the temperature is -40 to 50 °C" })
  @IsNumber({}, { message: "the temperature is a number of °C" })
  temperatureC?: number | null;
  @IsOptional()
  @Max(dayAirRanges.windMps[1], { message: "the wind is 0 to 40 m/s" })
  @Min(dayAirRanges.windMps[0], { message: "the wind is 0 to 40 m/s" })
  @IsNumber({}, { message: "the wind is a number of m/s" })
  windMps?: number | null;
  /** Prepared at the desk: it is begun in the field. */
  @IsOptional() @IsBoolean({ message: "prepared is true or false" }) prepared?: boolean;
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
  @IsMoment() flownAtMs!: number;
  /** Which battery of the session, where batteries are counted. */
  @IsOptional()
  @Max(200, { message: "pack is 1 to 200" })
  @Min(1, { message: "pack is 1 to 200" })
  @IsInt({ message: "pack is 1 to 200" })
  pack?: number | null;
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

export class AtMomentInput {
  @IsId() id!: string;
  /** When, by the device's clock; left out for now. */
  @IsOptional() @IsMoment() atMs?: number;
}

export class ByIdInput {
  @IsId() id!: string;
}
