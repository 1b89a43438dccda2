import { v7 as newId } from "uuid";
import { runAction } from "@/server/actions";
import { listCoaches } from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { accountActions } from "./actions";

withFreshDatabase();

it("of several who begin at the same moment exactly one becomes the first coach", async () => {
  const tokens: (string | null)[] = [];
  const asker = {
    identify: async () => null,
    address: "local",
    device: "",
    requestId: "r",
    setToken: async (token: string | null) => void tokens.push(token),
  };
  const results = await Promise.all(
    ["Ann Pell", "Bo Lind", "Una Rook", "Kit Marsh"].map((name) =>
      runAction(accountActions.begin, async () => ({ id: newId(), name, password: "four plain words here" }), asker),
    ),
  );
  expect(results.map((result) => (result.ok ? 200 : result.status)).sort()).toEqual([200, 409, 409, 409]);
  expect(await listCoaches()).toHaveLength(1);
  expect(tokens).toHaveLength(1);
});
