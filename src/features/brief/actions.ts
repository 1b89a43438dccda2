import { requireStartHeight } from "@/core";
import { coachAction } from "@/server/actions";
import { inTransaction, keepStartHeight } from "@/server/repositories";
import { KeepStartHeightInput } from "./inputs";

export const briefActions = {
  /** Keeps a minimum start height that a coach's browser worked out, for everybody who asks for the same. */
  "keep-start-height": coachAction(
    KeepStartHeightInput,
    () => [],
    async ({ key, startHeight }, { coachId }) => {
      const checked = requireStartHeight(startHeight);
      await inTransaction((transaction) =>
        keepStartHeight(transaction, { key, startHeight: checked, coachId }, new Date()),
      );
    },
  ),
};
