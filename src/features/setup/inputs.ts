import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  Max,
  Min,
  MinLength,
  ValidateNested,
} from "class-validator";
import { airframePresets, measurementKinds, type Measurement, type Settings } from "@/core";
import { IsId, IsName, IsOneOf, IsText } from "@/server/actions";
import { flightStates, type FlightState } from "@/contract";

export class AddAircraftInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @IsName() name!: string;
  @IsOneOf(Object.keys(airframePresets)) presetId!: string;
  @IsOneOf(flightStates) flightState!: FlightState;
  /** Weighed and measured numbers in place of the preset's; text of a form field, empty for none. */
  @IsText(12) massG!: string;
  @IsText(12) thrustToWeight!: string;
}

export class RenameAircraftInput {
  @IsId() id!: string;
  @IsName() name!: string;
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
}

export class AddLoadInput {
  @IsId() id!: string;
  @IsId() aircraftId!: string;
  @IsName() name!: string;
  /** Text of a form field; thrust over weight empty where nobody measured it. */
  @IsText(12) massG!: string;
  @IsText(12) thrustToWeight!: string;
}

export class SetFlightStateInput {
  @IsId() id!: string;
  @IsOneOf(flightStates) flightState!: FlightState;
}

export class SaveSetupInput {
  @IsId() id!: string;
  @IsId() aircraftId!: string;
  /** Number of the version that was changed; 0 for the first. */
  @Max(1_000_000)
  @Min(0)
  @IsInt({ message: "basedOn is a version number" })
  basedOn!: number;
  @MinLength(1, { message: "say in a few words why it changes" })
  @IsText(300)
  reason!: string;
  /** Checked field by field by the core. */
  @IsObject({ message: "settings are missing" })
  settings!: Settings;
  /** Said when the settings of the pilot are frozen and are to change all the same. */
  @IsOptional() @IsBoolean({ message: "evenFrozen is true or false" }) evenFrozen?: boolean;
}

/** One measurement; which numbers it needs follows from its kind and is checked by the core. */
export class MeasurementInput {
  @IsOneOf(measurementKinds) kind!: Measurement["kind"];
  @IsOptional() @IsNumber({}, { message: "the weight is not a number" }) massKg?: number;
  @IsOptional() @IsNumber({}, { message: "the throttle is not a number" }) command?: number;
  @IsOptional() @IsNumber({}, { message: "the tilt is not a number" }) tiltDeg?: number;
  @IsOptional() @IsNumber({}, { message: "the speed is not a number" }) speedMps?: number;
  @IsOptional() @IsNumber({}, { message: "the elevation is not a number" }) elevationM?: number;
  @IsOptional() @IsNumber({}, { message: "the rate is not a number" }) rateDps?: number;
  @IsOptional() @IsNumber({}, { message: "the angle run on is not a number" }) deg?: number;
  @IsOptional() @IsNumber({}, { message: "the time on a full pack is not a number" }) freshS?: number;
  @IsOptional() @IsNumber({}, { message: "the time late in the pack is not a number" }) lateS?: number;
  @IsOptional() @IsNumber({}, { message: "the share used is not a number" }) usedShare?: number;
  @IsOptional() @IsNumber({}, { message: "the punch is not a number" }) punchS?: number;
  @IsOptional() @IsNumber({}, { message: "the hang is not a number" }) hangS?: number;
}

export class MeasureAircraftInput {
  @IsId() id!: string;
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
  @ArrayMaxSize(50, { message: "50 measurements at most" })
  @IsArray({ message: "measurements are missing" })
  @ValidateNested({ each: true })
  @Type(() => MeasurementInput)
  measurements!: MeasurementInput[];
}
