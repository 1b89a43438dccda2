import { jStat } from "jstat";
import { rateChange } from ".";

it("gives the chance that an independent statistics library gives, by integration", () => {
  for (const [before, after] of [
    [
      { attempts: 20, clean: 8 },
      { attempts: 20, clean: 14 },
    ],
    [
      { attempts: 40, clean: 30 },
      { attempts: 15, clean: 6 },
    ],
    [
      { attempts: 3, clean: 1 },
      { attempts: 3, clean: 2 },
    ],
  ]) {
    const density = (x: number) => jStat.beta.pdf(x, 1 + after.clean, 1 + after.attempts - after.clean);
    const below = (x: number) => jStat.beta.cdf(x, 1 + before.clean, 1 + before.attempts - before.clean);
    const parts = 4000;
    let sum = 0;
    for (let i = 0; i < parts; i++) sum += (density((i + 0.5) / parts) * below((i + 0.5) / parts)) / parts;
    expect(rateChange(before, after).chanceBetter).toBeCloseTo(sum, 2);
  }
});

it("is even where nothing is known or nothing differs, and surer with more of the same", () => {
  expect(rateChange({ attempts: 0, clean: 0 }, { attempts: 0, clean: 0 }).chanceBetter).toBeCloseTo(0.5, 2);
  expect(rateChange({ attempts: 30, clean: 15 }, { attempts: 30, clean: 15 }).chanceBetter).toBeCloseTo(0.5, 2);
  const few = rateChange({ attempts: 10, clean: 4 }, { attempts: 10, clean: 6 }).chanceBetter;
  const many = rateChange({ attempts: 100, clean: 40 }, { attempts: 100, clean: 60 }).chanceBetter;
  expect(many).toBeGreaterThan(few);
});

it("waits for the hands to settle, and refuses counts that cannot be", () => {
  expect(rateChange({ attempts: 30, clean: 15 }, { attempts: 11, clean: 11 }).settled).toBe(false);
  expect(rateChange({ attempts: 30, clean: 15 }, { attempts: 12, clean: 11 }).settled).toBe(true);
  expect(rateChange({ attempts: 0, clean: 0 }, { attempts: 5, clean: 1 }).before.interval).toEqual({ low: 0, high: 1 });
  expect(() => rateChange({ attempts: 3, clean: 4 }, { attempts: 1, clean: 1 })).toThrow(
    /^before.clean is 4; allowed: 0 to 3$/,
  );
});
