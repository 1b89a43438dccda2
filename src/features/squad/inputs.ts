import "reflect-metadata";
import { Transform } from "class-transformer";
import { IsBoolean, IsInt, IsNumber, IsOptional, Max, Min } from "class-validator";
import { cruiseRangeMps, reachRange, reactionRangeS, stickLengthRangeMm } from "@/core";
import { IsId, IsName, IsOneOf, numberOf } from "@/server/actions";
import { grips, type Grip } from "@/contract";

const CRUISE = `the cruise is ${cruiseRangeMps.join(" to ")} m/s`;
const REACH = `the stick reached is ${reachRange.map((share) => 100 * share).join(" to ")}\u202f%`;
const STICK = `the stick length is ${stickLengthRangeMm.join(" to ")} mm`;
const REACTION = `the reaction is ${reactionRangeS.join(" to ")} s`;

export class AddPilotInput {
  @IsId() id!: string;
  @IsId() squadId!: string;
  @IsName() name!: string;
  @Max(4, { message: "stick mode is 1, 2, 3 or 4" })
  @Min(1, { message: "stick mode is 1, 2, 3 or 4" })
  @IsInt({ message: "stick mode is 1, 2, 3 or 4" })
  stickMode!: number;
  @IsOneOf(grips) grip!: Grip;
  /** Forms send words. */
  @IsOptional()
  @IsBoolean({ message: "settings are frozen or not" })
  @Transform(({ value }: { value: unknown }) => ({ yes: true, no: false })[value as string] ?? value)
  settingsFrozen?: boolean;
  /** From the coach's call to the stick, s. */
  @IsOptional()
  @Max(reactionRangeS[1], { message: REACTION })
  @Min(reactionRangeS[0], { message: REACTION })
  @IsNumber({}, { message: REACTION })
  @Transform(numberOf)
  reactionS?: number | null;
  /** Speed of the pilot's own cruise, m/s. */
  @IsOptional()
  @Max(cruiseRangeMps[1], { message: CRUISE })
  @Min(cruiseRangeMps[0], { message: CRUISE })
  @IsNumber({}, { message: CRUISE })
  @Transform(numberOf)
  cruiseMps?: number | null;
  /** Share of the stick's way that is reached. */
  @IsOptional()
  @Max(reachRange[1], { message: REACH })
  @Min(reachRange[0], { message: REACH })
  @IsNumber({}, { message: REACH })
  @Transform(numberOf)
  reachShare?: number | null;
  @IsOptional()
  @Max(stickLengthRangeMm[1], { message: STICK })
  @Min(stickLengthRangeMm[0], { message: STICK })
  @IsNumber({}, { message: STICK })
  @Transform(numberOf)
  stickLengthMm?: number | null;
}

export class EditPilotInput extends AddPilotInput {
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
}
