import { deviceKind, hashPassword, passwordMatches, passwordProblem, waitAfter } from ".";

it.each([
  ["horse battery", null],
  ["ein ganz langer Satz mit Ümläuten", null],
  ["short word", "use at least 12 characters"],
  ["x".repeat(201), "longer than 200"],
  ["111111111111", "repeats too few"],
  ["------------", "repeats too few"],
  ["Password2026!", "too common"],
  ["q w e r t y u i o p 1 2", "too common"],
  ["Ann Pell 12345", "too close to your name"],
])("judges %p by length, commonness and the name, not by composition", (password, problem) => {
  if (problem === null) expect(passwordProblem(password, "Ann Pell")).toBeNull();
  else expect(passwordProblem(password, "Ann Pell")).toContain(problem);
});

it("hashes with argon2id and salt, and matches nothing where there is no account", async () => {
  const [first, second] = await Promise.all([hashPassword("horse battery"), hashPassword("horse battery")]);
  expect(first).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  expect(first).not.toBe(second);
  expect(await passwordMatches(first, "horse battery")).toBe(true);
  expect(await passwordMatches(first, "horse batterY")).toBe(false);
  expect(await passwordMatches(undefined, "nobody has this password")).toBe(false);
});

it("lets a few slips pass, then waits ever longer up to a quarter of an hour", () => {
  expect([1, 4].map((failures) => waitAfter(failures))).toEqual([0, 0]);
  expect([5, 6, 8].map((failures) => waitAfter(failures))).toEqual([2000, 4000, 16_000]);
  expect(waitAfter(60)).toBe(15 * 60_000);
});

it("tells kinds of devices apart by what their browsers say", () => {
  const says = (rest: string) => deviceKind(`Mozilla/5.0 (${rest}) AppleWebKit/537.36`);
  expect([
    says("X11; Linux x86_64"),
    says("Linux; Android 14; Mobile"),
    says("iPad; CPU OS 17"),
    deviceKind("curl/8"),
    deviceKind(""),
  ]).toEqual(["a computer", "a phone", "a tablet", "a program", "a program"]);
});
