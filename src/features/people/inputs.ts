import { IsBoolean, IsIn, IsInt, IsOptional, IsString, Matches, MaxLength, Min, ValidateBy } from "class-validator";
import { isTimeZone, luckLimits } from "@/core";
import { IsId, IsName } from "@/server/actions";

/** As typed; what makes a good one is said by passwordProblem. */
const LONGEST_TYPED = 1000;

/** The secret of a link: 32 bytes, base64url. */
const IsToken = () => Matches(/^[\w-]{43}$/, { message: "Part of the link is missing. Copy all of it." });

export class SquadInput {
  @IsId() id!: string;
  @IsName() name!: string;
}

export class RenameSquadInput extends SquadInput {
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
}

export class SquadRulesInput {
  @IsId() id!: string;
  @Min(1)
  @IsInt({ message: "version is a whole number" })
  version!: number;
  @ValidateBy({
    name: "timeZone",
    validator: {
      validate: (value: unknown) => typeof value === "string" && value.length <= 64 && isTimeZone(value),
      defaultMessage: () => "time zone is none that is known: write it like Europe/Lisbon",
    },
  })
  timeZone!: string;
  @IsIn(luckLimits, { message: `the most luck is one of ${luckLimits.join(", ")}` })
  mostLuck!: number;
  @IsBoolean({ message: "attended only is yes or no" })
  attendedOnly!: boolean;
}

export class LeaveSquadInput {
  @IsId() squadId!: string;
}

export class SquadCoachInput {
  @IsId() squadId!: string;
  @IsId() coachId!: string;
}

export class SetOwnerInput extends SquadCoachInput {
  @IsBoolean({ message: "owner is yes or no" })
  owner!: boolean;
}

export class InviteCoachInput {
  @IsId() id!: string;
  /** The squad to share; without one, the coach begins with a squad of their own. */
  @IsOptional() @IsId() squadId!: string | null;
}

export class InvitePilotInput {
  @IsId() id!: string;
  @IsId() pilotId!: string;
}

export class PilotAccountInput {
  @IsId() pilotId!: string;
}

export class TokenInput {
  @IsToken() token!: string;
}

export class AcceptInput {
  @IsId() id!: string;
  @IsToken() token!: string;
  @IsName() name!: string;
  @MaxLength(LONGEST_TYPED, { message: "password is too long" })
  @IsString({ message: "password is missing" })
  password!: string;
}

export class WayBackInput {
  @IsToken() token!: string;
  @MaxLength(LONGEST_TYPED, { message: "password is too long" })
  @IsString({ message: "password is missing" })
  password!: string;
}
