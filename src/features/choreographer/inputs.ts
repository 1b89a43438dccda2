import "reflect-metadata";
import { ArrayMaxSize, ArrayUnique, IsArray, IsInt, IsObject, Min } from "class-validator";
import { IsId } from "@/server/actions";

export class CheckVariantInput {
  /** Checked by the published schema and by what can be flown. */
  @IsObject({ message: "The file is not a way to fly a trick." })
  document!: object;
}

class VariantFields extends CheckVariantInput {
  @IsId() id!: string;
  /** For whom it is chosen. */
  @ArrayUnique({ message: "a pilot is listed twice" })
  @ArrayMaxSize(200, { message: "at most 200 pilots" })
  @IsId({ each: true })
  @IsArray({ message: "pilotIds is no list" })
  pilotIds!: string[];
}

export class AddVariantInput extends VariantFields {
  @IsId() squadId!: string;
}

export class EditVariantInput extends VariantFields {
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
}
