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
  ValidateBy,
  ValidateNested,
} from "class-validator";
import { blockKinds, dayAirRanges, places, type BlockKind, type Place } from "@/core";
import type { BlockReason } from "@/contract";
import { isBlockReason } from "@/server/files";
import { IsId, IsOneOf, IsPart, IsStepId, IsText } from "@/server/actions";

const IsBlockReason = () =>
  ValidateBy({
    name: "blockReason",
    validator: {
      validate: (value: unknown) => isBlockReason(value),
      defaultMessage: () => "reason is none that is known",
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
  /** At the step of lines; one that is not given in the field any more is none. */
  @IsOptional() @IsId() lineId?: string | null;
  /** Why it is flown. */
  @IsOptional() @IsBlockReason() reason?: BlockReason | null;
  /** The same as a sentence, from a page opened before reasons had kinds. */
  @IsOptional() @IsText(500) why?: string;
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
  @IsOptional() @IsPart(() => PilotPlanInput) plan?: PilotPlanInput;
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
