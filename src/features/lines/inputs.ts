import "reflect-metadata";
import { IsBoolean, IsInt, IsObject, IsOptional, Min } from "class-validator";
import { IsId, IsOneOf } from "@/server/actions";
import { unitSystems, type UnitSystem } from "@/words";

export class CheckLineInput {
  /** Checked by the published schema and by what can be flown. */
  @IsObject({ message: "The file is not a line of tricks." })
  document!: object;
}

class LineFields extends CheckLineInput {
  @IsId() id!: string;
  @IsOptional()
  @IsId()
  siteId!: string | null;
}

export class AddLineInput extends LineFields {
  @IsId() squadId!: string;
}

export class SaveLineInput extends LineFields {
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
}

export class GiveLineInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
  @IsBoolean({ message: "given is true or false" })
  given!: boolean;
}

export class LinePaperInput extends CheckLineInput {
  @IsObject({ message: "What was flown is missing." })
  flown!: object;
  @IsOneOf(unitSystems) units!: UnitSystem;
}
