import { endSecondFactor, findAccount } from "@/server/accounts";
import { database } from "@/server/database";
import { insertInvitation, inTransaction } from "@/server/repositories";

/** Makes a one-time link to a new password for the account of this name, and prints it. */
async function main(): Promise<void> {
  const given = process.argv.slice(2);
  const [name] = given.filter((one) => !one.startsWith("--"));
  const account = await findAccount(name);
  if (!account) throw new Error(`Nobody signs in here by the name ${name}`);
  const token = await inTransaction(async (transaction) => {
    if (given.includes("--without-code")) await endSecondFactor(transaction, account.id);
    return insertInvitation(
      transaction,
      { kind: "way-back", squadId: null, pilotId: account.pilot_id, accountId: account.id, coachId: null },
      new Date(),
    );
  });
  console.log(`Works once, within 7 days. Open it on the server's own address:\n  /join#${token}`);
}

main()
  .catch((error: Error) => {
    console.error(error.message);
    process.exitCode = 1;
  })
  .finally(() => database().destroy());
