import { IsBoolean, IsOptional, IsString, MaxLength } from "class-validator";
import { IsId, IsName } from "@/server/actions";

/** As typed, neither trimmed nor judged here: what makes a good one is said by passwordProblem. */
const LONGEST_TYPED = 1000;
const LONGEST_CODE = 40;
const CODE_TOO_LONG = "no code is that long";

export class BeginInput {
  @IsId() id!: string;
  @IsName() name!: string;
  @MaxLength(LONGEST_TYPED, { message: "password is too long" })
  @IsString({ message: "password is missing" })
  password!: string;
}

export class SignInInput {
  @IsName() name!: string;
  @MaxLength(LONGEST_TYPED, { message: "password is too long" })
  @IsString({ message: "password is missing" })
  password!: string;
  /** Of the second factor, where there is one. */
  @IsOptional()
  @MaxLength(LONGEST_CODE, { message: CODE_TOO_LONG })
  @IsString({ message: "the code is not text" })
  code?: string;
}

export class PasswordInput {
  @MaxLength(LONGEST_TYPED, { message: "password is too long" })
  @IsString({ message: "password is missing" })
  password!: string;
}

export class CodeInput {
  @MaxLength(LONGEST_CODE, { message: CODE_TOO_LONG })
  @IsString({ message: "the code is missing" })
  code!: string;
}

export class PasswordAndCodeInput extends PasswordInput {
  @MaxLength(LONGEST_CODE, { message: CODE_TOO_LONG })
  @IsString({ message: "the code is missing" })
  code!: string;
}

export class ChangePasswordInput {
  @MaxLength(LONGEST_TYPED, { message: "password is too long" })
  @IsString({ message: "password is missing" })
  password!: string;
  @MaxLength(LONGEST_TYPED, { message: "new password is too long" })
  @IsString({ message: "new password is missing" })
  newPassword!: string;
}

export class SignOutInput {
  /** Ends every sign-in of the account, not only this device's. */
  @IsBoolean({ message: "everywhere is yes or no" })
  everywhere!: boolean;
}
