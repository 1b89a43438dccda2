import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  IsArray,
  IsBase64,
  IsInt,
  IsObject,
  IsOptional,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from "class-validator";
import { MOST_RECORDING_BYTES, MOST_TRICKS, pieceCount } from "@/contract";
import { outcomes, type Outcome } from "@/core";
import { IsId, IsMoment, IsOneOf, IsStepId, IsText } from "@/server/actions";
import { LONGEST_PIECE_BYTES } from "./limits";

const MOST_PIECES = pieceCount(MOST_RECORDING_BYTES);

export class BeginRecordingInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @IsOptional()
  @IsId()
  setupId!: string | null;
  /** Of the file: whatever it is called, it is shown as text. */
  @Matches(/\S/, { message: "The file has no name" })
  @IsText(120)
  name!: string;
  @Matches(/^[0-9a-f]{64}$/, { message: "sha256 is no hash of a file" })
  sha256!: string;
  @Max(MOST_RECORDING_BYTES, { message: `A recording is kept up to ${MOST_RECORDING_BYTES / 1024 ** 2} MB` })
  @Min(1, { message: "The file is empty" })
  @IsInt({ message: "bytes is a whole number" })
  bytes!: number;
  @Max(MOST_RECORDING_BYTES, { message: "It packs to more than is kept" })
  @Min(1)
  @IsInt({ message: "packedBytes is a whole number" })
  packedBytes!: number;
  @IsOptional()
  @IsMoment()
  recordedAtMs!: number | null;
  /** Checked by its own rules. */
  @IsOptional()
  @IsObject({ message: "mapping is no mapping of columns" })
  mapping!: object | null;
}

export class KeepPieceInput {
  @IsId() id!: string;
  @Max(MOST_PIECES)
  @Min(0)
  @IsInt({ message: "number is a whole number" })
  number!: number;
  @MaxLength(LONGEST_PIECE_BYTES, { message: "The piece is too long" })
  @IsBase64({}, { message: "The piece is not base64" })
  packed!: string;
}

export class FinishRecordingInput {
  @IsId() id!: string;
  /** Checked by the schema of what is found in a recording. */
  @IsObject({ message: "What was found is missing" })
  found!: object;
}

class MatchInput {
  @Max(MOST_TRICKS)
  @Min(0)
  @IsInt({ message: "trick is the place of a trick" })
  trick!: number;
  @IsId() attemptId!: string;
}

class TakenInput {
  @IsId() id!: string;
  @Max(MOST_TRICKS)
  @Min(0)
  @IsInt({ message: "trick is the place of a trick" })
  trick!: number;
  @IsStepId() stepId!: string;
  @IsText(20) direction!: string;
  @IsOneOf(outcomes) outcome!: Outcome;
}

export class MatchRecordingInput {
  @IsId() id!: string;
  @IsId() sessionId!: string;
  /** Checked by the schema of what is found in a recording. */
  @IsObject({ message: "What was found is missing" })
  found!: object;
  @IsMoment() clockMs!: number;
  @ArrayMaxSize(MOST_TRICKS, { message: "matches are more than a recording has" })
  @IsArray({ message: "matches are missing" })
  @ValidateNested({ each: true })
  @Type(() => MatchInput)
  matches!: MatchInput[];
  @ArrayMaxSize(MOST_TRICKS, { message: "taken are more than a recording has" })
  @IsArray({ message: "taken are missing" })
  @ValidateNested({ each: true })
  @Type(() => TakenInput)
  taken!: TakenInput[];
}
